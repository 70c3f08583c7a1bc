package ebbtide.app.api;

import ebbtide.app.people.People;
import ebbtide.app.people.People.MemberOfPlan;
import ebbtide.app.people.Rights;
import ebbtide.app.people.Role;
import ebbtide.app.people.ViewerLinks;
import ebbtide.app.storage.MemberStore.ViewerLink;
import java.time.OffsetDateTime;
import java.util.List;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Who may do what with a plan: its members, invitations to it, links that show it. */
@RestController
@RequestMapping("/api/plans/{plan}")
class MembersController {
    private final People people;
    private final ViewerLinks links;
    private final Rights rights;

    MembersController(People people, ViewerLinks links, Rights rights) {
        this.people = people;
        this.links = links;
        this.rights = rights;
    }

    /** What whoever asks may do with the plan. */
    record OwnPart(Role role) {}

    @GetMapping("/part")
    @Allowed(Role.ONLOOKER)
    OwnPart part(@PathVariable String plan) {
        return new OwnPart(rights.find(plan).orElseThrow());
    }

    @GetMapping("/members")
    @Allowed(Role.ONLOOKER)
    List<MemberOfPlan> all(@PathVariable String plan) {
        return people.members(plan);
    }

    /** A role in the plan. */
    record RoleGiven(Role role) {}

    @PutMapping("/members/{person}")
    @Allowed(Role.OWNER)
    List<MemberOfPlan> put(@PathVariable String plan, @PathVariable String person, @RequestBody RoleGiven given) {
        people.putRole(plan, person, given.role());
        return people.members(plan);
    }

    @DeleteMapping("/members/{person}")
    @Allowed(Role.OWNER)
    void remove(@PathVariable String plan, @PathVariable String person) {
        people.putRole(plan, person, null);
    }

    /** The word of an invitation or a link, shown this once. */
    record WordMade(String word) {}

    @PostMapping("/invitations")
    @Allowed(Role.OWNER)
    WordMade invite(@PathVariable String plan, @RequestBody RoleGiven given) {
        return new WordMade(people.invite(plan, given.role()));
    }

    /** A link that shows the plan, without its word, which nobody knows any more. */
    record LinkView(
            String id, String note, String madeBy, OffsetDateTime madeAt, OffsetDateTime until, boolean takenBack) {
        static LinkView of(ViewerLink one) {
            return new LinkView(one.id(), one.note(), one.madeBy(), one.madeAt(), one.untilTime(), one.takenBack());
        }
    }

    @GetMapping("/links")
    @Allowed(Role.OWNER)
    List<LinkView> links(@PathVariable String plan) {
        return links.all(plan).stream().map(LinkView::of).toList();
    }

    /** For whom a link is, and for how many days it holds. */
    record LinkAsked(String note, int days) {}

    @PostMapping("/links")
    @Allowed(Role.OWNER)
    WordMade link(@PathVariable String plan, @RequestBody LinkAsked asked) {
        return new WordMade(links.make(plan, asked.note(), asked.days()));
    }

    @DeleteMapping("/links/{id}")
    @Allowed(Role.OWNER)
    List<LinkView> takeBack(@PathVariable String plan, @PathVariable String id) {
        links.takeBack(plan, id);
        return links(plan);
    }
}
