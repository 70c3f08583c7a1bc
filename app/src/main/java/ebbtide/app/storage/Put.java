package ebbtide.app.storage;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * The SQL that puts a row of texts: in the place of the one with the same key, or as a new one. Its parameters are the
 * key's columns, then the others.
 */
record Put(String table, List<String> key, List<String> others) {
    String sql() {
        List<String> all = Stream.concat(key.stream(), others.stream()).toList();
        return "merge into " + table + " t using (select "
                + joined(all, "cast(? as varchar) as %1$s", ", ") + ") s on ("
                + joined(key, "t.%1$s = s.%1$s", " and ") + ") when matched then update set "
                + joined(others, "%1$s = s.%1$s", ", ") + " when not matched then insert ("
                + String.join(", ", all) + ") values (" + joined(all, "s.%1$s", ", ") + ")";
    }

    private static String joined(List<String> columns, String each, String between) {
        return columns.stream().map(each::formatted).collect(Collectors.joining(between));
    }
}
