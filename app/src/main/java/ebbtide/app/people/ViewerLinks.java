package ebbtide.app.people;

import ebbtide.app.storage.HappeningStore;
import ebbtide.app.storage.HappeningStore.Kind;
import ebbtide.app.storage.MemberStore;
import ebbtide.app.storage.MemberStore.ViewerLink;
import ebbtide.app.storage.ShortId;
import ebbtide.money.Check;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The links that show a plan to whoever has them: made, seen, taken back. */
@Service
public class ViewerLinks {
    private static final int MOST_DAYS = 366;
    private static final int LONGEST_NOTE = 200;
    private final MemberStore members;
    private final HappeningStore happenings;
    private final Rights rights;
    private final Clock clock;

    ViewerLinks(MemberStore members, HappeningStore happenings, Rights rights, Clock clock) {
        this.members = members;
        this.happenings = happenings;
        this.rights = rights;
        this.clock = clock;
    }

    /** Makes a link that holds for some days; returns its word, which is shown this once. */
    @Transactional
    public String make(String planId, String note, int days) {
        rights.require(planId, Role.OWNER);
        Check.inRange(days, 1, MOST_DAYS, "days for which the link holds");
        Token token = Token.next();
        OffsetDateTime now = OffsetDateTime.now(clock);
        members.addLink(
                token.hash(),
                new ViewerLink(
                        ShortId.next(),
                        planId,
                        Check.atMost(note, "note of a link", LONGEST_NOTE),
                        Hand.atWork().author(),
                        now,
                        now.plusDays(days),
                        false));
        happenings.add(
                Hand.atWork().author(), planId, Kind.LINK, "Made a link that shows the plan for " + days + " days");
        return token.word();
    }

    /** Returns the links to a plan, the latest first, those that are over too. */
    public List<ViewerLink> all(String planId) {
        rights.require(planId, Role.OWNER);
        return members.links(planId);
    }

    /** Takes a link back: from then on it shows nothing. */
    @Transactional
    public void takeBack(String planId, String id) {
        rights.require(planId, Role.OWNER);
        members.takeLinkBack(planId, id);
        happenings.add(Hand.atWork().author(), planId, Kind.LINK, "Took a link back");
    }

    /** Returns the link of a word, as long as it holds. */
    public Optional<ViewerLink> find(String word) {
        return members.findLink(new Token(word).hash());
    }
}
