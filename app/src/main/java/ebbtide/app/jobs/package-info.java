/** Long work with progress that can be stopped: bringing in a bank's file. */
@NullMarked
package ebbtide.app.jobs;

import org.jspecify.annotations.NullMarked;
