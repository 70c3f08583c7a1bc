package ebbtide.app.access;

import ebbtide.app.people.Hand;
import ebbtide.app.people.SignIns;
import ebbtide.app.people.Standing;
import ebbtide.app.people.ViewerLinks;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Arrays;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Finds out whose work a request is, and which scenario it looks at. Nobody gets anything of the api but the way to
 * sign in, where the program is one that people sign in to.
 */
@Component
public class HandOfRequest extends OncePerRequestFilter {
    /** The header in which a request says which scenario it looks at. */
    public static final String SCENARIO = "Ebbtide-Scenario";
    /** The cookie of who is signed in. */
    public static final String SIGN_IN = "ebbtide-sign-in";
    /** The cookie of who has a link that shows a plan. */
    public static final String LINK = "ebbtide-link";
    /** The header of a request that a page makes while nobody is at it. */
    private static final String UNATTENDED = "Ebbtide-Unattended";
    /** How the path ends by which a page hears of others. */
    private static final String LIVE = "/live";

    /** The parameter in which a link says which scenario it looks at, which has no headers. */
    private static final String PARAMETER = "scenario";

    /** What is there for nobody in particular: the last by a key of its own. */
    private static final Set<String> OPEN = Set.of(
            "/api/sign-in",
            "/api/sign-in/passkey",
            "/api/sign-in/passkey/begin",
            "/api/provider",
            "/api/provider/begin",
            "/api/invitations/look",
            "/api/invitations/accept",
            "/api/viewing",
            "/api/backup");

    private final SignIns signIns;
    private final ViewerLinks links;
    private final boolean people;

    HandOfRequest(SignIns signIns, ViewerLinks links, @Value("${ebbtide.people:false}") boolean people) {
        this.signIns = signIns;
        this.links = links;
        this.people = people;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String path = request.getRequestURI();
        boolean guarded = path.startsWith("/api/") || path.startsWith("/v3/");
        boolean attended = request.getHeader(UNATTENDED) == null && !path.endsWith(LIVE);
        Hand hand = guarded ? hand(request, attended) : nobody(null);
        if (guarded && hand.standing() instanceof Standing.Nobody && !OPEN.contains(path)) {
            Answer.problem(response, HttpStatus.UNAUTHORIZED, "Nobody is signed in: sign in, then try again.");
            return;
        }
        hand.<ServletException>does(() -> chain.doFilter(request, response));
    }

    private static Hand nobody(@Nullable String scenario) {
        return new Hand("nobody", new Standing.Nobody(), scenario);
    }

    private Hand hand(HttpServletRequest request, boolean attended) {
        String said = request.getHeader(SCENARIO);
        // A form is not read for it: its file may be large, and is not wanted before its limit is known.
        String id = said != null || request.getQueryString() == null ? said : request.getParameter(PARAMETER);
        return hand(request.getCookies(), id == null || id.isEmpty() ? null : id, attended);
    }

    /** Returns whose work it would be now to whom some cookies belong, without noting that they were seen. */
    public Hand now(Cookie @Nullable [] cookies) {
        return hand(cookies, null, false);
    }

    /** Who only leaves a page open that loads what others changed is not seen. */
    private Hand hand(Cookie @Nullable [] cookies, @Nullable String scenario, boolean attended) {
        if (!people) {
            return new Hand(Hand.OWN.author(), Hand.OWN.standing(), scenario);
        }
        return cookie(cookies, SIGN_IN)
                .flatMap(word -> attended ? signIns.find(word) : signIns.peek(word))
                .map(one -> new Hand(
                        one.person().name(),
                        new Standing.Member(
                                one.person().id(),
                                one.person().steward(),
                                one.signIn().id()),
                        scenario))
                .or(() -> cookie(cookies, LINK)
                        .flatMap(links::find)
                        .map(link -> new Hand("a link", new Standing.Guest(link.planId()), scenario)))
                .orElseGet(() -> nobody(scenario));
    }

    /** Returns what a cookie of a request says. */
    static Optional<String> cookie(HttpServletRequest request, String name) {
        return cookie(request.getCookies(), name);
    }

    private static Optional<String> cookie(Cookie @Nullable [] cookies, String name) {
        return cookies == null
                ? Optional.empty()
                : Arrays.stream(cookies)
                        .filter(one -> one.getName().equals(name))
                        .map(Cookie::getValue)
                        .findFirst();
    }
}
