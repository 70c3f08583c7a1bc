package ebbtide.app.api;

import ebbtide.app.access.Provider;
import ebbtide.app.access.ProviderDoor;
import ebbtide.app.people.Hand;
import ebbtide.app.people.Providers;
import ebbtide.app.people.Standing;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The provider by which people can sign in, where there is one: gone to, added and taken away. */
@RestController
@RequestMapping("/api/provider")
class ProviderController {
    private final Provider provider;
    private final ProviderDoor door;
    private final Providers providers;

    ProviderController(Provider provider, ProviderDoor door, Providers providers) {
        this.provider = provider;
        this.door = door;
        this.providers = providers;
    }

    /** What the provider is called, null where there is none; whether who is signed in has added it. */
    record ProviderView(@Schema(nullable = true) @Nullable String name, boolean added) {}

    @GetMapping
    @AllowedTo(AllowedTo.Who.ANYBODY)
    ProviderView view() {
        return new ProviderView(
                provider.name(), Hand.atWork().standing() instanceof Standing.Member && providers.isAdded());
    }

    /** With the word of an invitation where somebody comes by one. */
    record Going(@Schema(nullable = true) @Nullable String invitation) {}

    /** Where the provider asks who somebody is. */
    record GoTo(String address) {}

    @PostMapping("/begin")
    @AllowedTo(AllowedTo.Who.ANYBODY)
    GoTo begin(@RequestBody Going going, HttpServletRequest request, HttpServletResponse response) {
        return new GoTo(door.begin(request, response, going.invitation()));
    }

    @DeleteMapping
    void remove() {
        providers.remove();
    }
}
