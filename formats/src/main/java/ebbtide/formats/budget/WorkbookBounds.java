package ebbtide.formats.budget;

import ebbtide.money.Refused;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Collections;
import java.util.Locale;
import java.util.regex.Pattern;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;

/**
 * What a workbook would come to, looked at byte by byte before anything of it is held: a small file may unpack to more
 * than any memory holds, a cell may stand in a column that no sheet has, a text may be longer than any cell's.
 */
final class WorkbookBounds {
    private static final long MOST_UNPACKED = 100_000_000;
    /** Twice what a cell can hold in letters, for those that are written as several bytes. */
    private static final int LONGEST_TEXT = 65_536;

    private static final int LONGEST_TAG = 65_536;
    private static final int TAG_BEGINS = 120;
    /** The last column of a sheet is XFD. */
    private static final Pattern FAR = Pattern.compile("\\br=\"[A-Z]{4}");

    private long unpacked;

    private WorkbookBounds() {}

    /**
     * Requires a workbook that can be read in bounded memory; returns whether it has a part for styles.
     *
     * @throws Refused for one that cannot, in a sentence
     * @throws IOException for what is no zip file
     */
    static boolean require(byte[] file) throws IOException {
        WorkbookBounds bounds = new WorkbookBounds();
        boolean styled = false;
        try (ZipFile zip = ZipFile.builder().setByteArray(file).get()) {
            for (ZipArchiveEntry entry : Collections.list(zip.getEntries())) {
                try (InputStream in = zip.getInputStream(entry)) {
                    bounds.look(in);
                }
                styled |= entry.getName().toLowerCase(Locale.ROOT).endsWith("styles.xml");
            }
        }
        return styled;
    }

    private void look(InputStream in) throws IOException {
        byte[] buffer = new byte[65_536];
        ByteArrayOutputStream tag = new ByteArrayOutputStream();
        boolean inTag = false;
        int run = 0;
        for (int read = in.read(buffer); read >= 0; read = in.read(buffer)) {
            unpacked += read;
            that(unpacked <= MOST_UNPACKED, "unpacks to more than 100 MB");
            for (int i = 0; i < read; i++) {
                byte one = buffer[i];
                if (one == '<') {
                    inTag = true;
                    run = 0;
                    tag.reset();
                } else if (inTag && one == '>') {
                    that(!isFarCell(tag), "has a cell in a column after XFD, which is the last");
                    inTag = false;
                    run = 0;
                } else {
                    run++;
                    that(
                            run <= (inTag ? LONGEST_TAG : LONGEST_TEXT),
                            "has a text of more than 32,767 letters in a cell");
                    if (inTag && run <= TAG_BEGINS) {
                        tag.write(one);
                    }
                }
            }
        }
    }

    private static boolean isFarCell(ByteArrayOutputStream tag) {
        String begin = tag.toString(StandardCharsets.ISO_8859_1);
        return begin.startsWith("c ", begin.indexOf(':') + 1)
                && FAR.matcher(begin).find();
    }

    private static void that(boolean holds, String what) {
        if (!holds) {
            throw new SheetReader.TooLarge("The workbook " + what + ": bring in the sheet that is needed alone");
        }
    }
}
