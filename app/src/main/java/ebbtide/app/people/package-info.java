/** Who works with plans and what each may do: people, their sign-ins, roles by plan, links. It knows no HTTP. */
@NullMarked
package ebbtide.app.people;

import org.jspecify.annotations.NullMarked;
