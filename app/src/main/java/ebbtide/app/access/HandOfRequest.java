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
    /** The parameter in which a link says which scenario it looks at, which has no headers. */
    private static final String PARAMETER = "scenario";

    /** What is there for nobody in particular: the last by a key of its own. */
    private static final Set<String> OPEN = Set.of(
            "/api/sign-in",
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
        Hand hand = guarded ? hand(request) : nobody(null);
        if (guarded && hand.standing() instanceof Standing.Nobody && !OPEN.contains(path)) {
            Answer.problem(response, HttpStatus.UNAUTHORIZED, "Nobody is signed in: sign in, then try again.");
            return;
        }
        hand.<ServletException>does(() -> chain.doFilter(request, response));
    }

    private static Hand nobody(@Nullable String scenario) {
        return new Hand("nobody", new Standing.Nobody(), scenario);
    }

    private Hand hand(HttpServletRequest request) {
        String said = request.getHeader(SCENARIO);
        // A form is not read for it: its file may be large, and is not wanted before its limit is known.
        String id = said != null || request.getQueryString() == null ? said : request.getParameter(PARAMETER);
        String scenario = id == null || id.isEmpty() ? null : id;
        if (!people) {
            return new Hand(Hand.OWN.author(), Hand.OWN.standing(), scenario);
        }
        return cookie(request, SIGN_IN)
                .flatMap(signIns::find)
                .map(one -> new Hand(
                        one.person().name(),
                        new Standing.Member(
                                one.person().id(),
                                one.person().steward(),
                                one.signIn().id()),
                        scenario))
                .or(() -> cookie(request, LINK)
                        .flatMap(links::find)
                        .map(link -> new Hand("a link", new Standing.Guest(link.planId()), scenario)))
                .orElseGet(() -> nobody(scenario));
    }

    /** Returns what a cookie of a request says. */
    static Optional<String> cookie(HttpServletRequest request, String name) {
        return request.getCookies() == null
                ? Optional.empty()
                : Arrays.stream(request.getCookies())
                        .filter(one -> one.getName().equals(name))
                        .map(Cookie::getValue)
                        .findFirst();
    }
}
