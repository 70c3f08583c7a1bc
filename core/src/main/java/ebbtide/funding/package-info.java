/** What cash is measured against by day: minimum cash and the facility's limit, and the headroom that is left (rules 8). */
package ebbtide.funding;
