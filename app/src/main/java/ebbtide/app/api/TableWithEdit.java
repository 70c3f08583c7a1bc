package ebbtide.app.api;

import ebbtide.app.desk.PlanAtVersion;
import ebbtide.time.Periods;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.core.MethodParameter;
import org.springframework.http.MediaType;
import org.springframework.http.converter.HttpMessageConverter;
import org.springframework.http.server.ServerHttpRequest;
import org.springframework.http.server.ServerHttpResponse;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.servlet.mvc.method.annotation.ResponseBodyAdvice;

/**
 * Sends what an edit changed of the forecast that a page shows along with the edit, so that no second question is
 * asked: the page says which forecast in a header, "WEEK 2026-03-01 2026-05-31".
 */
@RestControllerAdvice
class TableWithEdit implements ResponseBodyAdvice<EditOutcome> {
    private static final String HEADER = "Ebbtide-Table";
    private static final Pattern ASKED =
            Pattern.compile("(DAY|WEEK|MONTH|QUARTER|YEAR) (\\d{4}-\\d\\d-\\d\\d) (\\d{4}-\\d\\d-\\d\\d)");
    /** The forecast sent last is most often what the next edit changes. */
    private final AtomicReference<@Nullable Made> latest = new AtomicReference<>();

    private record Made(String plan, PlanAtVersion of, Asked asked, ForecastController.TableView table) {}

    /** Which forecast a page shows; nothing where its words name none: the edit is made already, and stands. */
    private record Asked(Periods by, LocalDate from, LocalDate to) {
        int periods(PlanAtVersion of) {
            return of.forecast().periods(by, from, to).size();
        }

        static Optional<Asked> find(@Nullable String words) {
            Matcher matcher = ASKED.matcher(words == null ? "" : words);
            try {
                return matcher.matches()
                        ? Optional.of(new Asked(
                                Periods.valueOf(matcher.group(1)),
                                LocalDate.parse(matcher.group(2)),
                                LocalDate.parse(matcher.group(3))))
                        : Optional.empty();
            } catch (DateTimeParseException noDay) {
                return Optional.empty();
            }
        }
    }

    /**
     * What changed of a forecast as it was asked for: the version it is held against; its periods; for each of its rows
     * the place of the same row in that version, from 0, or -1 where there was none like it; and those rows, in order.
     */
    record TableChanged(
            String asked,
            long since,
            List<PeriodView> periods,
            List<Integer> kept,
            List<ForecastController.TableRow> rows) {
        static TableChanged of(
                String asked, long since, ForecastController.TableView before, ForecastController.TableView now) {
            Map<String, Integer> places = new HashMap<>();
            if (before.periods().equals(now.periods())) {
                IntStream.range(0, before.rows().size())
                        .forEach(i -> places.put(before.rows().get(i).id(), i));
            }
            List<Integer> kept = now.rows().stream()
                    .map(row -> {
                        int place = places.getOrDefault(row.id(), -1);
                        return place >= 0 && before.rows().get(place).equals(row) ? place : -1;
                    })
                    .toList();
            return new TableChanged(
                    asked,
                    since,
                    now.periods(),
                    kept,
                    IntStream.range(0, kept.size())
                            .filter(i -> kept.get(i) < 0)
                            .mapToObj(i -> now.rows().get(i))
                            .toList());
        }
    }

    @Override
    public boolean supports(MethodParameter returned, Class<? extends HttpMessageConverter<?>> converter) {
        return returned.getParameterType() == EditOutcome.class;
    }

    @Override
    public @Nullable EditOutcome beforeBodyWrite(
            @Nullable EditOutcome outcome,
            MethodParameter returned,
            MediaType type,
            Class<? extends HttpMessageConverter<?>> converter,
            ServerHttpRequest request,
            ServerHttpResponse response) {
        String words = request.getHeaders().getFirst(HEADER);
        Optional<Asked> asked = Asked.find(words);
        if (outcome == null || words == null || asked.isEmpty()) {
            return outcome;
        }
        String plan = outcome.view().id();
        PlanAtVersion was = outcome.made().was();
        if (asked.get().periods(was) > ShownPeriods.MOST
                || asked.get().periods(outcome.made().became()) > ShownPeriods.MOST) {
            return outcome;
        }
        ForecastController.TableView before = table(plan, was, asked.get());
        ForecastController.TableView now = table(plan, outcome.made().became(), asked.get());
        return outcome.with(TableChanged.of(words, was.version(), before, now));
    }

    private ForecastController.TableView table(String plan, PlanAtVersion of, Asked asked) {
        Made known = latest.get();
        if (known != null
                && known.of() == of
                && known.plan().equals(plan)
                && known.asked().equals(asked)) {
            return known.table();
        }
        ForecastController.TableView made = ForecastController.table(of, asked.by(), asked.from(), asked.to());
        latest.set(new Made(plan, of, asked, made));
        return made;
    }
}
