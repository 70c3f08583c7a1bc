package ebbtide.app.people;

import ebbtide.app.storage.MemberStore;
import ebbtide.app.storage.MemberStore.Member;
import ebbtide.app.storage.NotFound;
import ebbtide.app.storage.PlanStore;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/** What whoever is at work may do. Who has no part in a plan is not told that it is there. */
@Service
public record Rights(MemberStore members, PlanStore plans) {

    /** Returns the role in a plan of whoever is at work, if they have one. */
    public Optional<Role> find(String planId) {
        Standing standing = Hand.atWork().standing();
        if (standing instanceof Standing.Own) {
            return plans.isThere(planId) ? Optional.of(Role.OWNER) : Optional.empty();
        }
        if (standing instanceof Standing.Member member) {
            return members.find(planId, member.personId()).map(one -> Role.valueOf(one.role()));
        }
        return standing instanceof Standing.Guest guest && guest.planId().equals(planId)
                ? Optional.of(Role.ONLOOKER)
                : Optional.empty();
    }

    /**
     * Requires a role in a plan.
     *
     * @throws NotFound for a plan in which whoever is at work has no part
     * @throws NotAllowed where their role is a lesser one
     */
    public void require(String planId, Role least) {
        Role role = find(planId).orElseThrow(() -> new NotFound("plan", planId));
        if (least == Role.VIEWER && !role.covers(least)) {
            throw new NotAllowed("This shows what each is paid, or may: whoever looks on sees pay in sums alone. "
                    + "Ask an owner to be a viewer, who " + least.words());
        }
        if (!role.covers(least)) {
            throw new NotAllowed(
                    Hand.atWork().standing() instanceof Standing.Guest
                            ? "This link shows the plan, and changes nothing: ask whoever sent it to take you in"
                            : "You are " + article(role) + " of this plan, who " + role.words()
                                    + ": ask an owner to be " + article(least) + ", who " + least.words());
        }
    }

    /** Returns whether whoever is at work sees what each is paid, and not the sums alone. */
    public boolean seesPay(String planId) {
        return find(planId).filter(role -> role.covers(Role.VIEWER)).isPresent();
    }

    private static String article(Role role) {
        String name = role.name().toLowerCase(java.util.Locale.ROOT);
        return ("aeiou".indexOf(name.charAt(0)) >= 0 ? "an " : "a ") + name;
    }

    /** Requires a person, who has signed in or whose program it is. */
    public void requirePerson() {
        Standing standing = Hand.atWork().standing();
        if (!(standing instanceof Standing.Own || standing instanceof Standing.Member)) {
            throw new NotAllowed("A link shows one plan, and nothing else: sign in for this");
        }
    }

    /** Requires somebody who looks after people and data: a steward, or whose program it is. */
    public void requireSteward() {
        if (!isSteward()) {
            throw new NotAllowed("A steward looks after people and data: ask one for this");
        }
    }

    public boolean isSteward() {
        Standing standing = Hand.atWork().standing();
        return standing instanceof Standing.Own || standing instanceof Standing.Member member && member.steward();
    }

    /** Returns what tells the plans in which whoever is at work has a part. */
    public Predicate<String> hasPart() {
        Standing standing = Hand.atWork().standing();
        if (standing instanceof Standing.Own) {
            return plan -> true;
        }
        if (standing instanceof Standing.Member member) {
            return members.plansOf(member.personId()).stream()
                    .map(Member::planId)
                    .collect(Collectors.toSet())::contains;
        }
        return standing instanceof Standing.Guest guest ? guest.planId()::equals : plan -> false;
    }

    /** Makes whoever is at work the owner of a plan that they have just made. */
    public void own(String planId) {
        if (Hand.atWork().standing() instanceof Standing.Member member) {
            members.put(new Member(planId, member.personId(), Role.OWNER.name()));
        }
    }
}
