package ebbtide.app.storage;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.Asked;
import ebbtide.app.Ebbtide;
import ebbtide.app.desk.Edits;
import ebbtide.app.desk.Plans;
import ebbtide.app.desk.WholePlans;
import ebbtide.plan.Buoy;
import ebbtide.sim.DemoCompany;
import ebbtide.time.Period;
import java.io.IOException;
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

/**
 * An edit that was answered outlives a power cut, in the midst of other edits and while room in the file is given back.
 */
class PowerCutTest {
    private static final int HANDS = 3;
    private static final int EDITS_EACH = 15;
    private static final int PAUSES = 4;
    private static final double SHARE_OF_WRITES = Asked.of(100) / 200.0;

    private final AtomicInteger answered = new AtomicInteger();
    private final AtomicInteger cuts = new AtomicInteger();
    private final List<String> lost = new ArrayList<>();

    @TempDir
    private Path folder;

    /** Opens what a cut has left, as the program does, and holds what is in it against what was answered before. */
    private void afterCut(Path found) throws IOException {
        int before = answered.get();
        if (before == 0) {
            return;
        }
        cuts.incrementAndGet();
        String url = "jdbc:h2:file:" + found.toString().replace(".mv.db", "");
        try (Connection connection = DriverManager.getConnection(url);
                ResultSet row = connection
                        .createStatement()
                        .executeQuery(
                                "select (select version from plan), (select count(*) from change_log), (select count(*) from line)")) {
            row.next();
            int edits = row.getInt(2);
            boolean whole = row.getInt(1) == edits + 1
                    && row.getInt(3) == DemoCompany.document().plan().lines().size();
            if (edits < before || !whole) {
                lost.add(before + " answered, " + edits + " found" + (whole ? "" : ", the plan not whole"));
            }
        } catch (SQLException e) {
            lost.add(before + " answered, " + e.getMessage());
        }
    }

    @Test
    void powerCutAtAnyMoment_losesNothingThatWasAnswered() {
        ForgetfulDisk.insert(new ForgetfulDisk.Cuts(new Random(1), SHARE_OF_WRITES, this::afterCut));
        try (ConfigurableApplicationContext running = new SpringApplicationBuilder(Ebbtide.class)
                .properties(
                        "spring.datasource.url=" + FileSpace.url("forgetful:" + folder.resolve("ebbtide")),
                        "server.port=0",
                        "ebbtide.data=" + folder)
                .run()) {
            String plan = running.getBean(WholePlans.class).add(DemoCompany.document());
            for (int pause = 0; pause < PAUSES; pause++) {
                edit(running, plan, pause);
                running.getBean(FileSpace.class).compact();
            }
        }
        assertThat(cuts).hasValueGreaterThan((int) (SHARE_OF_WRITES * HANDS * EDITS_EACH * PAUSES));
        assertThat(lost).isEmpty();
    }

    private void edit(ConfigurableApplicationContext running, String plan, int round) {
        Edits edits = running.getBean(Edits.class);
        Plans plans = running.getBean(Plans.class);
        String line = plans.current(plan).plan().lines().get(0).id();
        LocalDate day = plans.current(plan).plan().settings().asOf();
        List<CompletableFuture<Void>> hands = new ArrayList<>();
        for (int hand = 0; hand < HANDS; hand++) {
            String own = round + "-" + hand + "-";
            hands.add(CompletableFuture.runAsync(() -> {
                for (int i = 0; i < EDITS_EACH; i++) {
                    Buoy buoy = new Buoy(own + i, line, new Period(day, day.plusDays(7)), "watch it");
                    edits.edit(plan, "Buoy left", draft -> draft.putBuoy(buoy));
                    answered.incrementAndGet();
                }
            }));
        }
        hands.forEach(CompletableFuture::join);
    }
}
