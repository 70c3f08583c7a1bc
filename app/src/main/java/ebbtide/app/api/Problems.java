package ebbtide.app.api;

import ebbtide.app.Fault;
import ebbtide.app.desk.StaleVersion;
import ebbtide.app.desk.Superseded;
import ebbtide.app.people.NotAllowed;
import ebbtide.app.people.SignIns.CodeWanted;
import ebbtide.app.storage.NoRoom;
import ebbtide.app.storage.NotFound;
import ebbtide.formats.plan.BrokenPlan;
import ebbtide.money.Refused;
import ebbtide.plan.PlanProblem;
import java.time.LocalDate;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.TypeMismatchException;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;

/**
 * Every error as problem details (RFC 9457): a sentence to show, and the places in what was sent where there are any.
 */
@RestControllerAdvice
class Problems extends ResponseEntityExceptionHandler {
    private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

    @ExceptionHandler
    ProblemDetail broken(BrokenPlan e) {
        ProblemDetail detail = detail(
                HttpStatus.UNPROCESSABLE_CONTENT,
                e.problems().stream()
                        .map(PlanProblem::sentence)
                        .distinct()
                        .limit(3)
                        .reduce((a, b) -> a + ". " + b)
                        .orElse(""));
        detail.setProperty("problems", e.problems());
        return detail;
    }

    @ExceptionHandler
    ProblemDetail stale(StaleVersion e) {
        ProblemDetail detail = detail(HttpStatus.CONFLICT, String.valueOf(e.getMessage()));
        detail.setProperty("changedSince", e.changedSince());
        return detail;
    }

    @ExceptionHandler
    ProblemDetail superseded(Superseded e) {
        return detail(HttpStatus.CONFLICT, String.valueOf(e.getMessage()));
    }

    @ExceptionHandler
    ProblemDetail missing(NotFound e) {
        return detail(HttpStatus.NOT_FOUND, String.valueOf(e.getMessage()));
    }

    @ExceptionHandler
    ProblemDetail refused(Refused e) {
        return detail(HttpStatus.UNPROCESSABLE_CONTENT, upper(String.valueOf(e.getMessage())));
    }

    @ExceptionHandler
    ProblemDetail notAllowed(NotAllowed e) {
        return detail(HttpStatus.FORBIDDEN, e.getMessage() + ".");
    }

    /** The field that is asked for then shows itself. */
    @ExceptionHandler
    ProblemDetail codeWanted(CodeWanted e) {
        ProblemDetail detail = detail(HttpStatus.UNPROCESSABLE_CONTENT, e.getMessage() + ".");
        detail.setProperty("problems", List.of(new PlanProblem("/code", String.valueOf(e.getMessage()))));
        return detail;
    }

    @ExceptionHandler
    ProblemDetail full(NoRoom e) {
        return detail(HttpStatus.INSUFFICIENT_STORAGE, e.getMessage() + ".");
    }

    @ExceptionHandler
    ProblemDetail fault(RuntimeException e) {
        LOG.error("A request failed: {}", new Fault(e));
        return detail(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "Something went wrong here, and nothing was changed. Try it again; if it stays, the program's log says more.");
    }

    private static ProblemDetail detail(HttpStatus status, String sentence) {
        ProblemDetail detail = ProblemDetail.forStatusAndDetail(status, sentence);
        detail.setProperty("problems", List.of());
        return detail;
    }

    @Override
    protected org.springframework.http.ResponseEntity<Object> handleHttpMessageNotReadable(
            HttpMessageNotReadableException e,
            org.springframework.http.HttpHeaders headers,
            org.springframework.http.HttpStatusCode status,
            org.springframework.web.context.request.WebRequest request) {
        return org.springframework.http.ResponseEntity.badRequest()
                .body(detail(
                        HttpStatus.BAD_REQUEST,
                        "What was sent could not be understood: "
                                + e.getMostSpecificCause().getMessage()));
    }

    /** A day in an address that no calendar has is said as one in a field is. */
    @Override
    protected org.springframework.http.ResponseEntity<Object> handleTypeMismatch(
            TypeMismatchException e,
            org.springframework.http.HttpHeaders headers,
            org.springframework.http.HttpStatusCode status,
            org.springframework.web.context.request.WebRequest request) {
        String sentence = "'" + e.getValue() + "' is not what is expected here.";
        if (e.getRequiredType() == LocalDate.class) {
            try {
                DayParameter.of(String.valueOf(e.getValue()).strip());
            } catch (Refused refused) {
                sentence = refused.getMessage() + ", but was '" + e.getValue() + "'.";
            }
        }
        return org.springframework.http.ResponseEntity.badRequest().body(detail(HttpStatus.BAD_REQUEST, sentence));
    }

    @Override
    protected org.springframework.http.ResponseEntity<Object> handleMaxUploadSizeExceededException(
            MaxUploadSizeExceededException e,
            org.springframework.http.HttpHeaders headers,
            org.springframework.http.HttpStatusCode status,
            org.springframework.web.context.request.WebRequest request) {
        return org.springframework.http.ResponseEntity.status(status)
                .body(detail(HttpStatus.CONTENT_TOO_LARGE, "The file is larger than 512 MB: split it by dates."));
    }

    private static String upper(String sentence) {
        return sentence == null || sentence.isEmpty()
                ? ""
                : Character.toUpperCase(sentence.charAt(0)) + sentence.substring(1);
    }
}
