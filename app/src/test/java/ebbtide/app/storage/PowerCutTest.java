package ebbtide.app.storage;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.app.Ebbtide;
import ebbtide.app.desk.Edits;
import ebbtide.app.desk.Plans;
import ebbtide.app.desk.WholePlans;
import ebbtide.plan.Buoy;
import ebbtide.sim.DemoCompany;
import ebbtide.time.Period;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;

/** An edit that was answered outlives a power cut: it was forced onto the disk before. */
class PowerCutTest {
    private static final int HANDS = 3;
    private static final int EDITS_EACH = 60;
    private static final int CUTS = 25;

    @TempDir
    private Path folder;

    /** What a copy holds of the plan: its version, and how many edits its log has. */
    private record Found(int version, int edits) {}

    private Found found(Path copy) throws SQLException {
        String url = "jdbc:h2:file:" + copy.toString().replace(".mv.db", "");
        try (Connection connection = DriverManager.getConnection(url);
                ResultSet row = connection
                        .createStatement()
                        .executeQuery(
                                "select (select version from plan), (select count(*) from change_log), (select count(*) from line)")) {
            assertThat(row.next()).isTrue();
            assertThat(row.getInt(3))
                    .isEqualTo(DemoCompany.document().plan().lines().size());
            return new Found(row.getInt(1), row.getInt(2));
        }
    }

    @Test
    void powerCutAtAnyMoment_losesNothingThatWasAnswered() throws Exception {
        ForgetfulDisk.insert();
        try (ConfigurableApplicationContext running = new SpringApplicationBuilder(Ebbtide.class)
                .properties(
                        "spring.datasource.url=" + FileSpace.url("forgetful:" + folder.resolve("ebbtide")),
                        "server.port=0",
                        "ebbtide.data=" + folder)
                .run()) {
            Edits edits = running.getBean(Edits.class);
            Plans plans = running.getBean(Plans.class);
            String plan = running.getBean(WholePlans.class).add(DemoCompany.document());
            String line = plans.current(plan).plan().lines().get(0).id();
            LocalDate day = plans.current(plan).plan().settings().asOf();
            AtomicInteger answered = new AtomicInteger();
            List<CompletableFuture<Void>> hands = new ArrayList<>();
            for (int hand = 0; hand < HANDS; hand++) {
                int own = hand;
                hands.add(CompletableFuture.runAsync(() -> {
                    for (int i = 0; i < EDITS_EACH; i++) {
                        Buoy buoy = new Buoy(own + "-" + i, line, new Period(day, day.plusDays(7)), "watch it");
                        edits.edit(plan, "Buoy left", draft -> draft.putBuoy(buoy));
                        answered.incrementAndGet();
                    }
                }));
            }
            cutWhile(hands, answered);
        }
    }

    private void cutWhile(List<CompletableFuture<Void>> hands, AtomicInteger answered)
            throws IOException, SQLException, InterruptedException {
        Random random = new Random(1);
        int most = 0;
        for (int cut = 0; cut < CUTS; cut++) {
            Thread.sleep(random.nextInt(40));
            Path copy = folder.resolve("cut" + cut + ".mv.db");
            int before = answered.get();
            int forced = ForgetfulDisk.cutPower(copy, random);
            Found found = found(copy);
            assertThat(found.edits()).as("cut %d", cut).isBetween(before, HANDS * EDITS_EACH);
            assertThat(found.version()).isEqualTo(found.edits() + 1);
            assertThat(forced).isGreaterThanOrEqualTo(before);
            most = Math.max(most, before);
            Files.delete(copy);
        }
        hands.forEach(CompletableFuture::join);
        assertThat(most).as("edits answered by the last cut").isGreaterThan(HANDS);
    }
}
