package ebbtide.app.api;

import ebbtide.app.access.Cookies;
import ebbtide.app.access.HandOfRequest;
import ebbtide.app.people.Hand;
import ebbtide.app.people.People;
import ebbtide.app.people.SignIns;
import ebbtide.app.people.SignIns.From;
import ebbtide.app.people.Standing;
import ebbtide.app.people.ViewerLinks;
import ebbtide.app.storage.MemberStore.Invitation;
import ebbtide.app.storage.MemberStore.ViewerLink;
import ebbtide.app.storage.PersonStore.Person;
import ebbtide.app.storage.SignInStore.SignIn;
import ebbtide.app.storage.Stores;
import ebbtide.money.Refused;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpHeaders;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Signing in and out, by a password, an invitation or a link, and what a person does about their own sign-ins. */
@RestController
@RequestMapping("/api")
class SignInController {
    private final People people;
    private final SignIns signIns;
    private final ViewerLinks links;
    private final Stores stores;
    private final boolean toSignInTo;

    SignInController(
            People people,
            SignIns signIns,
            ViewerLinks links,
            Stores stores,
            @Value("${ebbtide.people:false}") boolean toSignInTo) {
        this.people = people;
        this.signIns = signIns;
        this.links = links;
        this.stores = stores;
        this.toSignInTo = toSignInTo;
    }

    /**
     * Who asks: whether people sign in here at all, who did (null: nobody), whether they look after people and data and
     * have a second factor; or the plan that a link shows (null: none).
     */
    record WhoView(
            boolean people,
            @Schema(nullable = true) @Nullable String id,
            @Schema(nullable = true) @Nullable String name,
            @Schema(nullable = true) @Nullable String login,
            boolean steward,
            boolean secondFactor,
            @Schema(nullable = true) @Nullable String plan) {
        static WhoView of(Person person) {
            return new WhoView(
                    true,
                    person.id(),
                    person.name(),
                    person.login(),
                    person.steward(),
                    person.secondFactor() != null,
                    null);
        }
    }

    @GetMapping("/sign-in")
    @AllowedTo(AllowedTo.Who.ANYBODY)
    WhoView who() {
        Standing standing = Hand.atWork().standing();
        if (standing instanceof Standing.Member) {
            return WhoView.of(signIns.own());
        }
        return new WhoView(
                toSignInTo,
                null,
                null,
                null,
                standing instanceof Standing.Own,
                false,
                standing instanceof Standing.Guest guest ? guest.planId() : null);
    }

    /** A login and its password, with the digits of a second factor or a recovery code where there is one. */
    record SigningIn(
            String login,
            String password,
            @Schema(nullable = true) @Nullable String code) {}

    @PostMapping("/sign-in")
    @AllowedTo(AllowedTo.Who.ANYBODY)
    WhoView signIn(@RequestBody SigningIn in, HttpServletRequest request, HttpServletResponse response) {
        requirePeople();
        String code = in.code() == null ? "" : in.code();
        String word = signIns.signIn(in.login(), in.password(), code, from(request));
        return begun(word, request, response);
    }

    private void requirePeople() {
        if (!toSignInTo) {
            throw new Refused("Nobody signs in here: whoever is at this machine works with it");
        }
    }

    private static From from(HttpServletRequest request) {
        return From.of(request.getRemoteAddr(), request.getHeader(HttpHeaders.USER_AGENT));
    }

    private WhoView begun(String word, HttpServletRequest request, HttpServletResponse response) {
        Cookies.set(response, request, HandOfRequest.SIGN_IN, word);
        return WhoView.of(signIns.find(word).orElseThrow().person());
    }

    @DeleteMapping("/sign-in")
    @AllowedTo(AllowedTo.Who.ANYBODY)
    void signOut(HttpServletRequest request, HttpServletResponse response) {
        if (Hand.atWork().standing() instanceof Standing.Member) {
            signIns.signOut();
        }
        Cookies.set(response, request, HandOfRequest.SIGN_IN, "");
        Cookies.set(response, request, HandOfRequest.LINK, "");
    }

    /** The word of an invitation or a link. */
    record Word(String word) {}

    /** What an invitation is to: a plan by name in a role, or neither; or, for somebody by login, a password anew. */
    record InvitationView(
            String madeBy,
            @Schema(nullable = true) @Nullable String planId,
            @Schema(nullable = true) @Nullable String plan,
            @Schema(nullable = true) @Nullable String role,
            @Schema(nullable = true) @Nullable String login,
            OffsetDateTime until) {}

    @PostMapping("/invitations/look")
    @AllowedTo(AllowedTo.Who.ANYBODY)
    InvitationView look(@RequestBody Word word) {
        Invitation to = people.invitation(word.word());
        String plan = to.planId();
        return new InvitationView(
                to.madeBy(),
                plan,
                plan == null ? null : stores.plans().settings(plan).name(),
                to.role() == null ? null : to.role().toLowerCase(Locale.ROOT),
                to.personId() == null ? null : people.login(to.personId()),
                to.untilTime());
    }

    /** Who comes by an invitation: name and login are empty where it is to set a password anew. */
    record Accepting(String word, String name, String login, String password) {}

    @PostMapping("/invitations/accept")
    @AllowedTo(AllowedTo.Who.ANYBODY)
    WhoView accept(@RequestBody Accepting by, HttpServletRequest request, HttpServletResponse response) {
        requirePeople();
        Person person = people.invitation(by.word()).personId() == null
                ? people.accept(by.word(), by.name(), by.login(), by.password())
                : people.anew(by.word(), by.password());
        return begun(signIns.begin(person, from(request)), request, response);
    }

    /** Takes who is signed in into the plan of an invitation. */
    @PostMapping("/invitations/join")
    void join(@RequestBody Word word) {
        people.join(word.word(), signIns.own().id());
    }

    /** The plan that a link shows, and until when. */
    record ViewingView(String plan, OffsetDateTime until) {}

    /** Begins to look at a plan by a link; whoever was signed in is so no more. */
    @PostMapping("/viewing")
    @AllowedTo(AllowedTo.Who.ANYBODY)
    ViewingView view(@RequestBody Word word, HttpServletRequest request, HttpServletResponse response) {
        requirePeople();
        ViewerLink link = links.find(word.word())
                .orElseThrow(() ->
                        new Refused("This link was taken back, or its time is over: ask whoever sent it for another"));
        Cookies.set(response, request, HandOfRequest.SIGN_IN, "");
        Cookies.set(response, request, HandOfRequest.LINK, word.word());
        return new ViewingView(link.planId(), link.untilTime());
    }

    /** An open sign-in of one's own. */
    record SignInView(
            String id, OffsetDateTime begunAt, OffsetDateTime seenAt, String address, String program, boolean isThis) {
        static SignInView of(SignIn one) {
            boolean isThis = Hand.atWork().standing() instanceof Standing.Member member
                    && member.signIn().equals(one.id());
            return new SignInView(one.id(), one.begunAt(), one.seenAt(), one.address(), one.program(), isThis);
        }
    }

    @GetMapping("/sign-ins")
    List<SignInView> all() {
        return signIns.all().stream().map(SignInView::of).toList();
    }

    @DeleteMapping("/sign-ins/{id}")
    void end(@PathVariable String id) {
        signIns.end(id);
    }

    /** The old password and the new one. */
    record PasswordChange(String old, String password) {}

    @PutMapping("/password")
    void password(@RequestBody PasswordChange change) {
        signIns.changePassword(change.old(), change.password());
    }

    @PostMapping("/second-factor")
    SignIns.Offered offer() {
        return signIns.offerSecondFactor();
    }

    /** A second factor that a device has taken over, with the digits it shows. */
    record FactorTaken(String secret, String code) {}

    /** Recovery codes, each good once. */
    record RecoveryCodes(List<String> codes) {}

    @PutMapping("/second-factor")
    RecoveryCodes set(@RequestBody FactorTaken taken) {
        return new RecoveryCodes(signIns.setSecondFactor(taken.secret(), taken.code()));
    }

    /** One's own password, asked for once more. */
    record Password(String password) {}

    @PostMapping("/second-factor/remove")
    void remove(@RequestBody Password password) {
        signIns.removeSecondFactor(password.password());
    }
}
