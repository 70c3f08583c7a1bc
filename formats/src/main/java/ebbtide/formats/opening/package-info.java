/** Opening balance sheets as they are pasted or brought in: rows of what is owned and owed. */
package ebbtide.formats.opening;
