package ebbtide.app.api;

import ebbtide.time.Periods;
import java.time.LocalDate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.core.MethodParameter;
import org.springframework.http.MediaType;
import org.springframework.http.converter.HttpMessageConverter;
import org.springframework.http.server.ServerHttpRequest;
import org.springframework.http.server.ServerHttpResponse;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.servlet.mvc.method.annotation.ResponseBodyAdvice;

/**
 * Sends the forecast that a page shows along with what an edit did, so that no second question is asked: the page says
 * which in a header, "WEEK 2026-03-01 2026-05-31".
 */
@RestControllerAdvice
class TableWithEdit implements ResponseBodyAdvice<EditOutcome> {
    private static final String HEADER = "Ebbtide-Table";
    private static final Pattern ASKED =
            Pattern.compile("(DAY|WEEK|MONTH|QUARTER|YEAR) (\\d{4}-\\d\\d-\\d\\d) (\\d{4}-\\d\\d-\\d\\d)");
    private final ForecastController forecasts;

    TableWithEdit(ForecastController forecasts) {
        this.forecasts = forecasts;
    }

    /** A forecast as it was asked for. */
    record TableSent(String asked, ForecastController.TableView table) {}

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
        String asked = request.getHeaders().getFirst(HEADER);
        Matcher matcher = ASKED.matcher(asked == null ? "" : asked);
        if (outcome == null || asked == null || !matcher.matches()) {
            return outcome;
        }
        return forecasts
                .table(
                        outcome.view().id(),
                        outcome.view().version(),
                        Periods.valueOf(matcher.group(1)),
                        LocalDate.parse(matcher.group(2)),
                        LocalDate.parse(matcher.group(3)))
                .map(table -> outcome.with(new TableSent(asked, table)))
                .orElse(outcome);
    }
}
