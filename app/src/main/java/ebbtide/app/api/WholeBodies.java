package ebbtide.app.api;

import ebbtide.money.Refused;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.time.LocalDate;
import java.util.Collection;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.core.MethodParameter;
import org.springframework.http.HttpInputMessage;
import org.springframework.http.converter.HttpMessageConverter;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.servlet.mvc.method.annotation.RequestBodyAdviceAdapter;

/**
 * Requires of what is sent that nothing is missing in it that its record does not allow to be null, and that its days
 * are those of plans: a controller may rely on what its types say.
 */
@RestControllerAdvice
class WholeBodies extends RequestBodyAdviceAdapter {
    @Override
    public boolean supports(MethodParameter parameter, Type type, Class<? extends HttpMessageConverter<?>> converter) {
        return true;
    }

    @Override
    public Object afterBodyRead(
            Object body,
            HttpInputMessage message,
            MethodParameter parameter,
            Type type,
            Class<? extends HttpMessageConverter<?>> converter) {
        requireWhole(body, "what was sent");
        return body;
    }

    private static void requireWhole(@Nullable Object value, String name) {
        if (value == null) {
            throw new Refused("Something is missing in what was sent: " + name + " is not there");
        } else if (value instanceof LocalDate day) {
            DayParameter.requireOfPlan(day);
        } else if (value instanceof Collection<?> all) {
            int place = 0;
            for (Object one : all) {
                requireWhole(one, "number " + ++place + " of " + name);
            }
        } else if (value instanceof Map<?, ?> named) {
            named.forEach((key, one) -> requireWhole(one, key + " of " + name));
        } else if (value instanceof Record made) {
            for (RecordComponent part : made.getClass().getRecordComponents()) {
                Object found = valueOf(part, made);
                if (found != null || !part.getAnnotatedType().isAnnotationPresent(Nullable.class)) {
                    requireWhole(found, part.getName());
                }
            }
        }
    }

    private static @Nullable Object valueOf(RecordComponent part, Record made) {
        try {
            part.getAccessor().setAccessible(true);
            return part.getAccessor().invoke(made);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException("Every part of a record can be read", e);
        }
    }
}
