/** Long work with progress that can be stopped: bringing in a bank's file. */
package ebbtide.app.jobs;
