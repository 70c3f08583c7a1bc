package ebbtide.app.api;

import ebbtide.app.access.HandOfRequest;
import ebbtide.app.desk.Together;
import ebbtide.app.desk.Together.News;
import ebbtide.app.people.Role;
import ebbtide.app.storage.PresentStore.Present;
import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.Duration;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** What happens to a plan while it is open: others' edits, and who else is there, as events that a page listens to. */
@RestController
@RequestMapping("/api/plans/{plan}")
class LiveController {
    /** Then the page asks again, and is known anew. */
    private static final Duration LONGEST = Duration.ofMinutes(5);

    private final Together together;
    private final HandOfRequest hands;

    LiveController(Together together, HandOfRequest hands) {
        this.together = together;
        this.hands = hands;
    }

    /** Another version of the plan: whose edit, empty where it is not known, and in which words. */
    record EditedView(long version, String author, String words) {}

    /** Somebody who has the plan open too, and where. */
    record PresentView(String name, String place) {
        static PresentView of(Present one) {
            return new PresentView(one.name(), one.place());
        }
    }

    /** Events "edited" and "here", from a version on that the page has. */
    @Hidden
    @GetMapping(path = "/live", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    @Allowed(Role.ONLOOKER)
    SseEmitter live(
            @PathVariable String plan,
            @RequestParam String tab,
            @RequestParam long version,
            HttpServletRequest request) {
        SseEmitter emitter = new SseEmitter(LONGEST.toMillis());
        Cookie[] cookies = request.getCookies();
        Runnable close = together.open(tab, plan, version, () -> hands.now(cookies), news -> send(emitter, news));
        emitter.onCompletion(close);
        emitter.onTimeout(emitter::complete);
        emitter.onError(failure -> close.run());
        return emitter;
    }

    private static void send(SseEmitter emitter, @Nullable News news) throws IOException {
        if (news instanceof News.Edited edited) {
            emitter.send(SseEmitter.event()
                    .name("edited")
                    .data(new EditedView(edited.version(), edited.author(), edited.words())));
        } else if (news instanceof News.Here here) {
            emitter.send(SseEmitter.event()
                    .name("here")
                    .data(here.others().stream().map(PresentView::of).toList()));
        } else if (news instanceof News.Pulse) {
            emitter.send(SseEmitter.event().comment(""));
        } else {
            emitter.complete();
        }
    }

    /** Where somebody looks, as an address has it, in which window. */
    record Looking(String tab, String place) {}

    @PutMapping("/here")
    @Allowed(Role.ONLOOKER)
    void look(@PathVariable String plan, @RequestBody Looking looking) {
        together.look(looking.tab(), plan, looking.place());
    }

    /** Says that a window is closed, or shows another plan. */
    @DeleteMapping("/here")
    @Allowed(Role.ONLOOKER)
    void leave(@PathVariable String plan, @RequestParam String tab) {
        together.leave(tab, plan);
    }
}
