package ebbtide.app.jobs;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.app.storage.BackupFile;
import ebbtide.app.storage.Engine;
import ebbtide.app.storage.FileSpace;
import ebbtide.app.storage.ProcessStore;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.Random;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.stream.IntStream;
import javax.sql.DataSource;
import org.flywaydb.core.Flyway;
import org.h2.jdbcx.JdbcDataSource;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.simple.JdbcClient;

/** A copy of all data each day by itself: which are kept, and that one that fails is said and made good. */
class DailyBackupsTest {
    private static final LocalDate FIRST = LocalDate.of(2026, 3, 1);

    @TempDir
    private Path folder;

    /** Days go by, on some of which nothing ran; what is kept reaches back a week, five weeks and a year. */
    @Test
    void backupsOfManyDays_keepDaysWeeksAndMonths() {
        for (int seed = 0; seed < 20; seed++) {
            Random random = new Random(seed);
            SortedSet<LocalDate> there = new TreeSet<>();
            SortedSet<LocalDate> everMade = new TreeSet<>();
            for (int day = 0; day < 700; day++) {
                if (random.nextInt(8) > 0) {
                    there.add(FIRST.plusDays(day));
                    everMade.add(FIRST.plusDays(day));
                    there = BackupsKept.of(there);
                }
            }
            LocalDate last = everMade.last();
            assertThat(there).hasSizeBetween(12, 7 + 5 + 12).contains(last);
            assertThat(there).containsAll(everMade.tailSet(last.minusDays(6)));
            // Some backup of each of the last twelve months is there, and of each of the last five weeks.
            for (int back = 0; back < 12; back++) {
                YearMonth month = YearMonth.from(last).minusMonths(back);
                assertThat(there).anyMatch(day -> YearMonth.from(day).equals(month));
            }
            LocalDate monday = last.with(DayOfWeek.MONDAY);
            for (int back = 0; back < 5; back++) {
                LocalDate week = monday.minusWeeks(back);
                assertThat(there).anyMatch(day -> !day.isBefore(week) && day.isBefore(week.plusWeeks(1)));
            }
        }
    }

    @Test
    void backup_isMadeOnceADay_verified_andAFailureIsSaidUntilItIsMadeGood() throws Exception {
        DataSource data = database();
        Path into = Files.createDirectories(folder.resolve("deep")).resolve("backups");
        Files.createFile(into);
        DaysGoBy clock = new DaysGoBy();
        DailyBackups backups = new DailyBackups(data, processes(data), into.toString(), "", "", clock);
        backups.make();
        assertThat(backups.standing().fault()).isEqualTo("The folder '" + into + "' cannot be written");
        assertThat(backups.standing().latest()).isNull();
        Files.delete(into);
        Files.createFile(Files.createDirectory(into).resolve("ebbtide-2026-02-31.zip"));
        backups.make();
        assertThat(backups.standing()).isEqualTo(new DailyBackups.BackupStanding(into.toString(), FIRST, 1, null));
        assertThat(new BackupFile(into.resolve("ebbtide-2026-03-01.zip"))
                        .verify()
                        .plans())
                .isZero();
        Object made = Files.getLastModifiedTime(into.resolve("ebbtide-2026-03-01.zip"));
        backups.make();
        assertThat(Files.getLastModifiedTime(into.resolve("ebbtide-2026-03-01.zip")))
                .isEqualTo(made);
        IntStream.range(0, 9).forEach(day -> {
            clock.day++;
            backups.make();
        });
        assertThat(backups.standing().latest()).isEqualTo(FIRST.plusDays(9));
        assertThat(backups.standing().kept())
                .as("a week, and the Sunday before")
                .isEqualTo(8);
        assertThat(DailyBackups.latestIn(into)).contains(into.resolve("ebbtide-2026-03-10.zip"));
        try (var files = Files.list(into)) {
            assertThat(files).as("and what is none of ours").hasSize(9);
        }
        assertThat(new DailyBackups(data, processes(data), "", "", "", clock)
                        .standing()
                        .folder())
                .isNull();
    }

    private DataSource database() {
        JdbcDataSource data = new JdbcDataSource();
        data.setURL(FileSpace.url(folder.resolve("ebbtide").toString()));
        Flyway.configure().dataSource(data).load().migrate();
        return data;
    }

    private static final class DaysGoBy extends Clock {
        private int day;

        @Override
        public Instant instant() {
            return FIRST.plusDays(day).atTime(6, 0).toInstant(ZoneOffset.UTC);
        }

        @Override
        public ZoneId getZone() {
            return ZoneOffset.UTC;
        }

        @Override
        public Clock withZone(ZoneId zone) {
            return this;
        }
    }

    private static ProcessStore processes(DataSource data) {
        return new ProcessStore(JdbcClient.create(data), Clock.systemUTC(), new Engine(""), "");
    }
}
