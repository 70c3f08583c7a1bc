package ebbtide.app.access;

import ebbtide.money.Refused;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.security.oauth2.client.registration.ClientRegistration;
import org.springframework.security.oauth2.client.registration.ClientRegistrationRepository;
import org.springframework.security.oauth2.client.registration.ClientRegistrations;
import org.springframework.stereotype.Component;

/**
 * The provider by which people can sign in (OpenID Connect), where one is said: asked what it offers once it is wanted,
 * so that the program starts without it.
 */
@Component
public class Provider implements ClientRegistrationRepository {
    /** Where it sends people back to. */
    static final String BACK = "/api/provider/back";

    private static final String ID = "provider";

    private final String issuer;
    private final String client;
    private final String secret;
    private final String name;
    private @Nullable ClientRegistration known;

    Provider(
            @Value("${ebbtide.provider.issuer:}") String issuer,
            @Value("${ebbtide.provider.client:}") String client,
            @Value("${ebbtide.provider.secret:}") String secret,
            @Value("${ebbtide.provider.name:}") String name) {
        this.issuer = issuer;
        this.client = client;
        this.secret = secret;
        this.name = name;
    }

    /** Whether one is said. */
    public boolean isThere() {
        return !issuer.isEmpty();
    }

    /** Returns what people call it, null where there is none. */
    public @Nullable String name() {
        return isThere() ? name : null;
    }

    /**
     * Returns what is agreed with it.
     *
     * @throws Refused where there is none, or it does not answer
     */
    synchronized ClientRegistration registration() {
        if (!isThere()) {
            throw new Refused("Nobody signs in by a provider here: none was said at the start");
        }
        if (known == null) {
            try {
                known = ClientRegistrations.fromIssuerLocation(issuer)
                        .registrationId(ID)
                        .clientId(client)
                        .clientSecret(secret)
                        .redirectUri("{baseUrl}" + BACK)
                        .scope("openid", "profile", "email")
                        .build();
            } catch (IllegalArgumentException | IllegalStateException e) {
                throw new Refused(
                        name + " does not answer as a provider of sign-ins should, at " + issuer
                                + ": try again, or sign in with a password",
                        e);
            }
        }
        return known;
    }

    @Override
    public @Nullable ClientRegistration findByRegistrationId(String id) {
        return id.equals(ID) ? registration() : null;
    }
}
