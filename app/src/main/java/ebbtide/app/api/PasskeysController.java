package ebbtide.app.api;

import ebbtide.app.access.Cookies;
import ebbtide.app.access.HandOfRequest;
import ebbtide.app.people.Passkeys;
import ebbtide.app.people.Passkeys.Asked;
import ebbtide.app.people.Passkeys.Site;
import ebbtide.app.people.SignIns;
import ebbtide.app.people.SignIns.From;
import ebbtide.app.storage.PasskeyStore.Passkey;
import ebbtide.money.Refused;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.OffsetDateTime;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Passkeys: made, seen and taken away by who is signed in, and signed in by. */
@RestController
@RequestMapping("/api")
class PasskeysController {
    private final Passkeys passkeys;
    private final SignIns signIns;

    PasskeysController(Passkeys passkeys, SignIns signIns) {
        this.passkeys = passkeys;
        this.signIns = signIns;
    }

    /** A passkey of one's own. */
    record PasskeyView(
            String id,
            String label,
            @Nullable OffsetDateTime madeAt,
            @Schema(nullable = true) @Nullable OffsetDateTime usedAt) {
        static PasskeyView of(Passkey one) {
            return new PasskeyView(one.id(), one.label(), one.madeAt(), one.usedAt());
        }
    }

    @GetMapping("/passkeys")
    List<PasskeyView> own() {
        return passkeys.own().stream().map(PasskeyView::of).toList();
    }

    /** What a passkey is to be called, with one's own password. */
    record PasskeyBegun(String label, String password) {}

    /** Begins a passkey; returns what the device is asked. */
    @PostMapping("/passkeys/begin")
    Asked begin(@RequestBody PasskeyBegun begun, HttpServletRequest request) {
        return passkeys.begin(begun.label(), begun.password(), site(request));
    }

    /** What a device has answered to a challenge, as JSON. */
    record PasskeyAnswer(String challenge, String credential) {}

    @PostMapping("/passkeys")
    List<PasskeyView> make(@RequestBody PasskeyAnswer made, HttpServletRequest request) {
        passkeys.make(made.challenge(), made.credential(), site(request));
        return own();
    }

    @DeleteMapping("/passkeys/{id}")
    List<PasskeyView> remove(@PathVariable String id) {
        passkeys.remove(id);
        return own();
    }

    /** Returns what a device is asked by which somebody signs in. */
    @PostMapping("/sign-in/passkey/begin")
    @AllowedTo(AllowedTo.Who.ANYBODY)
    Asked ask(HttpServletRequest request) {
        return passkeys.ask(site(request));
    }

    @PostMapping("/sign-in/passkey")
    @AllowedTo(AllowedTo.Who.ANYBODY)
    SignInController.WhoView signIn(
            @RequestBody PasskeyAnswer answer, HttpServletRequest request, HttpServletResponse response) {
        From from = From.of(request.getRemoteAddr(), request.getHeader(HttpHeaders.USER_AGENT));
        String word = passkeys.signIn(answer.challenge(), answer.credential(), site(request), from);
        Cookies.set(response, request, HandOfRequest.SIGN_IN, word);
        return SignInController.WhoView.of(signIns.find(word).orElseThrow().person());
    }

    /** Where the browser is; that it is a page of this program's was looked at before (SameOrigin). */
    private static Site site(HttpServletRequest request) {
        String origin = request.getHeader(HttpHeaders.ORIGIN);
        if (origin == null) {
            throw new Refused("A passkey is made and used in a browser, which says where it is");
        }
        return new Site(request.getServerName(), origin);
    }
}
