package ebbtide.formats.statement;

import ebbtide.money.Check;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.Pattern;

/** The standard formats of bank statements, told apart by content. */
public enum StatementFormat {
    /** ISO 20022 bank to customer statement, versions 02 and 08. */
    CAMT_053(
            "camt.053",
            Pattern.compile("<[\\w:]*Document[^>]*camt\\.053|<[\\w:]*BkToCstmrStmt[\\s>]"),
            CamtReader::read),
    /** OFX version 1 (SGML) and 2 (XML). */
    OFX("OFX", Pattern.compile("OFXHEADER|<OFX>"), file -> OfxReader.read(text(file))),
    /** The SWIFT customer statement message. */
    MT940(
            "MT940",
            Pattern.compile("(?m)^(\\{4:\\s*)?:20:[\\s\\S]*^:25:|^:(25|28C?|60[FM]):"),
            file -> Mt940Reader.read(text(file)));

    /** The largest file that is read. */
    public static final int MOST_BYTES = 50_000_000;

    private static final int HEAD = 16_384;
    private final String title;
    private final Pattern mark;
    private final Function<byte[], List<DeclaredStatement>> reading;

    StatementFormat(String title, Pattern mark, Function<byte[], List<DeclaredStatement>> reading) {
        this.title = title;
        this.mark = mark;
        this.reading = reading;
    }

    /** Returns the format's name as people say it. */
    public String title() {
        return title;
    }

    /** Returns the format that the beginning of a file shows, none if it is in no standard format. */
    public static Optional<StatementFormat> find(byte[] file) {
        String head = new String(file, 0, Math.min(file.length, HEAD), StandardCharsets.ISO_8859_1);
        for (StatementFormat format : values()) {
            if (format.mark.matcher(head).find()) {
                return Optional.of(format);
            }
        }
        return Optional.empty();
    }

    /**
     * Returns whether a file is a document of a kind that no bank's CSV is: XML, PDF, a workbook or another archive.
     */
    public static boolean isOtherDocument(byte[] file) {
        String head = new String(file, 0, Math.min(file.length, HEAD), StandardCharsets.ISO_8859_1)
                .replaceFirst("^(\u00ef\u00bb\u00bf)?\\s*", "");
        return find(file).isEmpty() && (head.startsWith("<") || head.startsWith("%PDF") || head.startsWith("PK\u0003"));
    }

    /** Returns the statements of a file, at least one; refuses a file that is damaged anywhere, with a sentence. */
    public List<DeclaredStatement> read(byte[] file) {
        Check.that(file.length <= MOST_BYTES, "A statement file has at most 50 MB: export fewer days at once");
        List<DeclaredStatement> statements = reading.apply(file);
        Check.that(!statements.isEmpty(), "The file holds no statement: export it from the bank again");
        return statements;
    }

    /** Text is UTF-8 where it can be; banks that write other letters write those of Windows. */
    private static String text(byte[] file) {
        try {
            String text = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(file))
                    .toString();
            return text.startsWith("\ufeff") ? text.substring(1) : text;
        } catch (CharacterCodingException e) {
            return new String(file, Charset.forName("windows-1252"));
        }
    }
}
