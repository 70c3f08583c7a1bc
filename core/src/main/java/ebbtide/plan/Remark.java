package ebbtide.plan;

import ebbtide.money.Check;
import java.time.OffsetDateTime;
import java.util.Objects;

/** An answer to what was said on a figure: by whom, when, in which words. */
public record Remark(String id, String author, OffsetDateTime at, String words) {
    public Remark {
        id = Check.text(id, "id of an answer", 80);
        author = Check.text(author, "author of an answer", 200);
        Objects.requireNonNull(at, "at");
        words = Check.text(words, "words of an answer", 2_000);
    }
}
