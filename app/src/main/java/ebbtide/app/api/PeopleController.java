package ebbtide.app.api;

import ebbtide.app.people.People;
import ebbtide.app.storage.PersonStore.Person;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The people who sign in here; changed by those who look after people. */
@RestController
@RequestMapping("/api")
class PeopleController {
    private final People people;

    PeopleController(People people) {
        this.people = people;
    }

    /** A person as others see them. */
    record PersonView(String id, String name, String login, boolean steward, boolean shutOut, boolean secondFactor) {
        static PersonView of(Person person) {
            return new PersonView(
                    person.id(),
                    person.name(),
                    person.login(),
                    person.steward(),
                    person.shutOut(),
                    person.secondFactor() != null);
        }
    }

    @GetMapping("/people")
    List<PersonView> all() {
        return people.all().stream().map(PersonView::of).toList();
    }

    /** Whether a person looks after people and data, and whether they are shut out. */
    record PersonStanding(boolean steward, boolean shutOut) {}

    @PutMapping("/people/{id}")
    @AllowedTo(AllowedTo.Who.STEWARD)
    List<PersonView> put(@PathVariable String id, @RequestBody PersonStanding standing) {
        people.putStanding(id, standing.steward(), standing.shutOut());
        return all();
    }

    /** The word of an invitation, shown this once. */
    record InvitationWord(String word) {}

    /** Lets a person set a password anew. */
    @PostMapping("/people/{id}/anew")
    @AllowedTo(AllowedTo.Who.STEWARD)
    InvitationWord anew(@PathVariable String id) {
        return new InvitationWord(people.inviteAnew(id));
    }
}
