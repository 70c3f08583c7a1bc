package ebbtide.formats.statement;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What an information field (:86:) says of an entry. Banks write it in three ways: numbered parts after question marks,
 * words between slashes, or plain lines; all of its words are kept.
 */
record Mt940Info(String text, String counterparty, String reference) {
    private static final Pattern NUMBERED = Pattern.compile("\\d{3}\\?\\d\\d[\\s\\S]*");
    private static final Pattern NUMBER = Pattern.compile("\\?(\\d\\d)");
    private static final Pattern WORD = Pattern.compile(
            "/(EREF|KREF|MREF|PREF|REMI|NAME|BENM|ORDP|IBAN|BIC|CNTP|RTRN|TRTP|CSID|MARF|ADDR|SVCL|PURP|ULTC|ULTD|ISDT|USTD|STRD|CDTRREF)/");

    static Mt940Info of(String field) {
        if (NUMBERED.matcher(field).matches()) {
            return numbered(parts(NUMBER, field.replace("\n", "")));
        }
        String line = field.replace('\n', ' ').strip();
        return field.startsWith("/") && WORD.matcher(line).find()
                ? slashed(line, parts(WORD, field.replace("\n", "")))
                : new Mt940Info(line, "", "");
    }

    private static Map<String, String> parts(Pattern mark, String text) {
        Map<String, String> parts = new LinkedHashMap<>();
        Matcher marks = mark.matcher(text);
        String key = null;
        int from = 0;
        while (marks.find()) {
            if (key != null) {
                parts.merge(key, text.substring(from, marks.start()), String::concat);
            }
            key = marks.group(1);
            from = marks.end();
        }
        if (key != null) {
            parts.merge(key, text.substring(from), String::concat);
        }
        return parts;
    }

    /** Remittance stands in parts 20 to 29 and 60 to 63, cut after so many letters; the name in 32 and 33. */
    private static Mt940Info numbered(Map<String, String> parts) {
        String remittance = parts.entrySet().stream()
                .filter(part -> part.getKey().matches("2\\d|6[0-3]"))
                .map(Map.Entry::getValue)
                .collect(Collectors.joining());
        String name = (parts.getOrDefault("32", "") + parts.getOrDefault("33", "")).strip();
        Matcher reference = Pattern.compile("EREF\\+(.*?)(?=(?:KREF|MREF|SVWZ|CRED|DEBT|ABWA|IBAN|BIC)\\+|$)")
                .matcher(remittance);
        return new Mt940Info(
                joined(parts.getOrDefault("00", ""), remittance),
                name,
                reference.find() ? given(reference.group(1)) : "");
    }

    private static Mt940Info slashed(String whole, Map<String, String> parts) {
        String counterparty = Stream.of("NAME", "CNTP", "ORDP", "BENM")
                .map(key -> parts.getOrDefault(key, ""))
                .filter(Predicate.not(String::isBlank))
                .findFirst()
                .map(Mt940Info::nameIn)
                .orElse("");
        String reference = Stream.of("CDTRREF", "EREF", "PREF")
                .map(key -> given(parts.getOrDefault(key, "").replaceAll("/+$", "")))
                .filter(Predicate.not(String::isEmpty))
                .findFirst()
                .orElse("");
        return new Mt940Info(whole, counterparty, reference);
    }

    /**
     * A counterparty may come as account, bank, name and town between slashes: the name is its longest part of words.
     */
    private static String nameIn(String part) {
        return Stream.of(part.split("/"))
                .map(String::strip)
                .filter(one -> one.matches(".*\\p{L}{2}.*") && !one.matches("[A-Z]{2}\\d{2}[A-Z0-9]+"))
                .max(java.util.Comparator.comparingInt(String::length))
                .orElse("");
    }

    private static String given(String reference) {
        String bare = reference.strip();
        return bare.equals("NOTPROVIDED") || bare.equals("NONREF") ? "" : bare;
    }

    /** Returns the texts that say something, a space between. */
    static String joined(String... texts) {
        return Stream.of(texts)
                .map(String::strip)
                .filter(Predicate.not(String::isEmpty))
                .collect(Collectors.joining(" "));
    }
}
