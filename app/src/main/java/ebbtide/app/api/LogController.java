package ebbtide.app.api;

import ebbtide.app.people.Rights;
import ebbtide.app.people.Role;
import ebbtide.app.storage.LoggedSearch;
import ebbtide.app.storage.LoggedSearch.Logged;
import ebbtide.app.storage.LoggedSearch.Sought;
import ebbtide.formats.csv.LogCsv;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/**
 * What was done and by whom: of a plan its edits, for its owners with exports, links and roles; for those who look
 * after people all that happened beside edits. Sought by author, words and days, and taken out as CSV.
 */
@RestController
@RequestMapping("/api")
class LogController {
    private static final int SHOWN = 200;
    /** The rows that a sheet has room for. */
    private static final int TAKEN_OUT = 1_000_000;

    private final LoggedSearch log;
    private final Rights rights;

    LogController(LoggedSearch log, Rights rights) {
        this.log = log;
        this.rights = rights;
    }

    /** Something that was done; of kind edit, or what it was beside edits. */
    record LoggedView(long seq, OffsetDateTime at, String author, String kind, String words, String state) {
        static LoggedView of(Logged one) {
            return new LoggedView(one.seq(), one.atTime(), one.author(), kind(one), one.words(), one.state());
        }

        private static String kind(Logged one) {
            return one.kind().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    @GetMapping("/plans/{plan}/changes")
    List<LoggedView> changes(
            @PathVariable String plan,
            @RequestParam(defaultValue = "") String author,
            @RequestParam(defaultValue = "") String words,
            @RequestParam(required = false) @Nullable LocalDate from,
            @RequestParam(required = false) @Nullable LocalDate to) {
        return shown(taker -> ofPlan(plan, new Sought(author, words, from, to), SHOWN, taker));
    }

    @GetMapping(path = "/plans/{plan}/changes.csv", produces = "text/csv")
    @Exports("the log as CSV")
    void csv(
            HttpServletResponse response,
            @PathVariable String plan,
            @RequestParam(defaultValue = "") String author,
            @RequestParam(defaultValue = "") String words,
            @RequestParam(required = false) @Nullable LocalDate from,
            @RequestParam(required = false) @Nullable LocalDate to)
            throws IOException {
        takeOut(response, taker -> ofPlan(plan, new Sought(author, words, from, to), TAKEN_OUT, taker));
    }

    private void ofPlan(String plan, Sought sought, int most, Consumer<Logged> taker) {
        log.ofPlan(
                plan, rights.find(plan).filter(role -> role.covers(Role.OWNER)).isPresent(), sought, most, taker);
    }

    @GetMapping("/happenings")
    @AllowedTo(AllowedTo.Who.STEWARD)
    List<LoggedView> happenings(
            @RequestParam(defaultValue = "") String author,
            @RequestParam(defaultValue = "") String words,
            @RequestParam(required = false) @Nullable LocalDate from,
            @RequestParam(required = false) @Nullable LocalDate to) {
        return shown(taker -> log.beside(new Sought(author, words, from, to), SHOWN, taker));
    }

    @GetMapping(path = "/happenings.csv", produces = "text/csv")
    @AllowedTo(AllowedTo.Who.STEWARD)
    @Exports("what happened beside edits as CSV")
    void happeningsCsv(
            HttpServletResponse response,
            @RequestParam(defaultValue = "") String author,
            @RequestParam(defaultValue = "") String words,
            @RequestParam(required = false) @Nullable LocalDate from,
            @RequestParam(required = false) @Nullable LocalDate to)
            throws IOException {
        takeOut(response, taker -> log.beside(new Sought(author, words, from, to), TAKEN_OUT, taker));
    }

    private static void takeOut(HttpServletResponse response, Consumer<Consumer<Logged>> search) throws IOException {
        try (LogCsv csv = new LogCsv(CsvFile.begin(response, "log"))) {
            search.accept(one -> csv.write(
                    one.atTime(),
                    one.author(),
                    LoggedView.kind(one),
                    one.words(),
                    one.state().toLowerCase(Locale.ROOT)));
        }
    }

    private static List<LoggedView> shown(Consumer<Consumer<Logged>> search) {
        List<LoggedView> views = new ArrayList<>();
        search.accept(one -> views.add(LoggedView.of(one)));
        return views;
    }
}
