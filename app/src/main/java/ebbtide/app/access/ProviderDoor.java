package ebbtide.app.access;

import static java.util.Objects.requireNonNull;

import ebbtide.app.people.Hand;
import ebbtide.app.people.Providers;
import ebbtide.app.people.Providers.Named;
import ebbtide.app.people.SignIns.From;
import ebbtide.app.people.Standing;
import ebbtide.app.people.Token;
import ebbtide.money.Refused;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpHeaders;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.oauth2.client.web.AuthorizationRequestRepository;
import org.springframework.security.oauth2.client.web.DefaultOAuth2AuthorizationRequestResolver;
import org.springframework.security.oauth2.client.web.OAuth2AuthorizationRequestCustomizers;
import org.springframework.security.oauth2.core.endpoint.OAuth2AuthorizationRequest;
import org.springframework.security.oauth2.core.oidc.user.OidcUser;
import org.springframework.stereotype.Component;

/**
 * The way to the provider and back: what somebody was sent there for is kept until they come back with the cookie that
 * they went with.
 */
@Component
public class ProviderDoor implements AuthorizationRequestRepository<OAuth2AuthorizationRequest> {
    /** The cookie of who is on the way; sent along from the provider's page, which is another site. */
    private static final String ON_THE_WAY = "ebbtide-on-the-way";
    /** What is said to who came back in vain: read by the page, and taken away. */
    private static final String SAID = "ebbtide-said";

    private static final Duration STANDS = Duration.ofMinutes(10);
    private static final int MOST = 1_000;
    private static final Logger LOG = LoggerFactory.getLogger(ProviderDoor.class);

    private final Provider provider;
    private final Providers providers;
    private final DefaultOAuth2AuthorizationRequestResolver resolver;
    private final Clock clock;
    private final Map<String, Sent> onTheWay = new LinkedHashMap<>();

    ProviderDoor(Provider provider, Providers providers, Clock clock) {
        this.provider = provider;
        this.providers = providers;
        this.clock = clock;
        resolver = new DefaultOAuth2AuthorizationRequestResolver(provider, "/api/provider/begin");
        resolver.setAuthorizationRequestCustomizer(OAuth2AuthorizationRequestCustomizers.withPkce());
    }

    /** Who was sent there: with the word of an invitation, or as a person who adds the provider, or to sign in. */
    private record Sent(
            OAuth2AuthorizationRequest request,
            @Nullable String invitation,
            @Nullable String personId,
            Instant until) {}

    /**
     * Returns the address of the provider to go to: for who is signed in to add it, for others to sign in, or to come
     * by an invitation.
     *
     * @throws Refused where there is no provider, or it does not answer
     */
    public String begin(HttpServletRequest request, HttpServletResponse response, @Nullable String invitation) {
        OAuth2AuthorizationRequest asked =
                requireNonNull(resolver.resolve(request, provider.registration().getRegistrationId()));
        String personId = Hand.atWork().standing() instanceof Standing.Member member && invitation == null
                ? member.personId()
                : null;
        Token word = Token.next();
        put(word.hash(), new Sent(asked, invitation, personId, clock.instant().plus(STANDS)));
        Cookies.set(response, request, ON_THE_WAY, word.word(), "Lax", true);
        return asked.getAuthorizationRequestUri();
    }

    private synchronized void put(String key, Sent sent) {
        onTheWay.values().removeIf(one -> one.until().isBefore(clock.instant()));
        onTheWay.put(key, sent);
        if (onTheWay.size() > MOST) {
            onTheWay.remove(onTheWay.keySet().iterator().next());
        }
    }

    private synchronized @Nullable Sent find(HttpServletRequest request, boolean take) {
        Sent sent = HandOfRequest.cookie(request, ON_THE_WAY)
                .map(word -> new Token(word).hash())
                .map(key -> take ? onTheWay.remove(key) : onTheWay.get(key))
                .filter(one -> one.until().isAfter(clock.instant()))
                .filter(one -> String.valueOf(one.request().getState()).equals(request.getParameter("state")))
                .orElse(null);
        if (take) {
            request.setAttribute(ON_THE_WAY, sent);
        }
        return sent;
    }

    @Override
    public @Nullable OAuth2AuthorizationRequest loadAuthorizationRequest(HttpServletRequest request) {
        Sent sent = find(request, false);
        return sent == null ? null : sent.request();
    }

    @Override
    public @Nullable OAuth2AuthorizationRequest removeAuthorizationRequest(
            HttpServletRequest request, HttpServletResponse response) {
        Sent sent = find(request, true);
        return sent == null ? null : sent.request();
    }

    /** Nobody is sent by the framework's own filter. */
    @Override
    public void saveAuthorizationRequest(
            @Nullable OAuth2AuthorizationRequest asked, HttpServletRequest request, HttpServletResponse response) {
        throw new IllegalStateException("People are sent to the provider by begin");
    }

    /** Lets in whom the provider has named. */
    void cameBack(HttpServletRequest request, HttpServletResponse response, Authentication who) throws IOException {
        OidcUser user = (OidcUser) requireNonNull(who.getPrincipal());
        Sent sent = (Sent) requireNonNull(request.getAttribute(ON_THE_WAY));
        String subject = requireNonNull(user.getSubject(), "a provider names everybody by an id");
        Named named = new Named(
                String.valueOf(user.getIssuer()),
                subject,
                first(subject, user.getFullName(), user.getPreferredUsername()),
                first(subject, user.getEmail(), user.getPreferredUsername()));
        try {
            From from = From.of(request.getRemoteAddr(), request.getHeader(HttpHeaders.USER_AGENT));
            if (sent.personId() != null) {
                providers.add(named, sent.personId());
                leave(request, response, "/#/own");
            } else {
                String word = sent.invitation() == null
                        ? providers.signIn(named, from)
                        : providers.come(named, sent.invitation(), from);
                Cookies.set(response, request, HandOfRequest.SIGN_IN, word, "Strict", true);
                leave(request, response, "/#/plans");
            }
        } catch (Refused e) {
            inVain(request, response, e.getMessage() + ".");
        }
    }

    private static String first(String otherwise, @Nullable String... names) {
        for (String name : names) {
            if (name != null && !name.isBlank()) {
                return name;
            }
        }
        return otherwise;
    }

    /** Says to whom the provider did not name that they did not come in. */
    void notNamed(HttpServletRequest request, HttpServletResponse response, AuthenticationException why)
            throws IOException {
        LOG.warn("A sign-in by the provider was refused: {}", why.getMessage());
        inVain(
                request,
                response,
                "It was not possible to sign in by " + provider.name()
                        + ": begin again from here, within ten minutes, and in one browser.");
    }

    private static void inVain(HttpServletRequest request, HttpServletResponse response, String sentence)
            throws IOException {
        String said = URLEncoder.encode(sentence, StandardCharsets.UTF_8).replace("+", "%20");
        Cookies.set(response, request, SAID, said, "Strict", false);
        leave(request, response, "/");
    }

    private static void leave(HttpServletRequest request, HttpServletResponse response, String page)
            throws IOException {
        Cookies.set(response, request, ON_THE_WAY, "", "Lax", true);
        response.sendRedirect(page);
    }
}
