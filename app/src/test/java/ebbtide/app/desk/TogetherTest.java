package ebbtide.app.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.app.Ebbtide;
import ebbtide.app.desk.Together.News;
import ebbtide.app.desk.Together.News.Edited;
import ebbtide.app.desk.Together.News.Here;
import ebbtide.app.people.Hand;
import ebbtide.app.people.Standing;
import ebbtide.app.storage.PresentStore.Present;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.money.Refused;
import ebbtide.plan.Buoy;
import ebbtide.sim.DemoCompany;
import ebbtide.time.Period;
import java.io.IOException;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;

/** Whoever has a plan open hears of others' edits, and of who else is there, as long as they may. */
@SpringBootTest(
        classes = Ebbtide.class,
        properties = {
            "spring.datasource.url=jdbc:h2:mem:together;DB_CLOSE_DELAY=-1",
            "spring.datasource.hikari.maximum-pool-size=3"
        })
class TogetherTest {
    @Autowired
    private Together together;

    @Autowired
    private Edits edits;

    @Autowired
    private WholePlans whole;

    @Autowired
    private Plans plans;

    private String plan;

    /** Stands for the word that nothing more is told, which a queue cannot hold otherwise. */
    private static final News LAST = new News.Pulse();

    @BeforeEach
    void make() {
        plan = whole.add(DemoCompany.document());
    }

    private static Hand own(String name) {
        return new Hand(name, new Standing.Own(), null);
    }

    private static BlockingQueue<News> heard() {
        return new LinkedBlockingQueue<>();
    }

    private static Together.Ear into(BlockingQueue<News> heard) {
        return news -> {
            if (!(news instanceof News.Pulse)) {
                heard.add(news == null ? LAST : news);
            }
        };
    }

    private Buoy buoy(String id) {
        Period week = new Period(
                plans.current(plan).plan().settings().asOf(),
                plans.current(plan).plan().settings().asOf().plusDays(7));
        return new Buoy(id, "closing", week, "look");
    }

    private static <T extends News> @Nullable T next(BlockingQueue<News> heard, Class<T> kind) throws Exception {
        long until = System.nanoTime() + Duration.ofSeconds(20).toNanos();
        while (System.nanoTime() < until) {
            News news = heard.poll(100, TimeUnit.MILLISECONDS);
            if (kind.isInstance(news)) {
                return kind.cast(news);
            }
        }
        return null;
    }

    @Test
    void editsAndUndo_areHeardWithTheirAuthor_byWhoHasThePlanOpen() throws Exception {
        BlockingQueue<News> heard = heard();
        Runnable close = together.open("one", plan, plans.current(plan).version(), () -> own("Ada"), into(heard));
        List<Duration> took = new java.util.ArrayList<>();
        for (int i = 0; i < 5; i++) {
            String id = "b" + i;
            own("Ben").does(() -> edits.edit(plan, "noted " + id, draft -> draft.putBuoy(buoy(id))));
            long made = System.nanoTime();
            Edited edited = next(heard, Edited.class);
            took.add(Duration.ofNanos(System.nanoTime() - made));
            assertThat(edited).isEqualTo(new Edited(plans.current(plan).version(), "Ben", "noted " + id));
        }
        took.sort(null);
        assertThat(took.get(2)).as("within a second, of %s", took).isLessThan(Duration.ofSeconds(1));
        own("Cid").does(() -> edits.undo(plan));
        assertThat(next(heard, Edited.class))
                .isEqualTo(new Edited(plans.current(plan).version(), "Cid", "Undone: noted b4"));
        close.run();
    }

    @Test
    void othersAreHeardOf_withTheirPlaces_untilTheyLeave() throws Exception {
        BlockingQueue<News> heard = heard();
        long version = plans.current(plan).version();
        Runnable close = together.open("mine", plan, version, () -> own("Ada"), into(heard));
        Runnable others = together.open("theirs", plan, version, () -> own("Ben"), into(heard()));
        assertThat(next(heard, Here.class)).isEqualTo(new Here(List.of(new Present("theirs", plan, "Ben", ""))));
        together.look("theirs", plan, "forecast||rent|2026-03-01|2026-03-08");
        assertThat(next(heard, Here.class).others())
                .extracting(Present::place)
                .containsExactly("forecast||rent|2026-03-01|2026-03-08");
        others.run();
        assertThat(next(heard, Here.class)).isEqualTo(new Here(List.of()));
        assertThatThrownBy(() -> together.look("mine", plan, "x".repeat(401))).isInstanceOf(Refused.class);
        close.run();
    }

    @Test
    void whoMayNotSeeThePlanAnyMore_hearsNothingOfIt_andItsEnd() throws Exception {
        AtomicReference<Hand> hand = new AtomicReference<>(own("Ada"));
        BlockingQueue<News> heard = heard();
        together.open("one", plan, plans.current(plan).version(), hand::get, into(heard));
        BlockingQueue<News> broken = heard();
        together.open("two", plan, plans.current(plan).version(), () -> own("Ben"), news -> {
            broken.add(news == null ? LAST : news);
            throw new IOException("nobody listens");
        });
        hand.set(new Hand("Ada", new Standing.Nobody(), null));
        edits.edit(plan, "secret", draft -> draft.putBuoy(buoy("secret")));
        assertThat(heard.poll(20, TimeUnit.SECONDS)).isSameAs(LAST);
        assertThat(broken.poll(20, TimeUnit.SECONDS)).isNotNull();
        edits.edit(plan, "secret too", draft -> draft.putBuoy(buoy("secret too")));
        assertThat(heard.poll(2, TimeUnit.SECONDS)).isNull();
        assertThat(broken.poll()).as("who does not listen is told no more").isNull();
    }

    @Test
    void answers_ofSeveralAtOnce_allStand_andNobodyChangesAnothersWords() throws Exception {
        String json = PlanWriter.json(buoy("b")).toString();
        OffsetDateTime now = OffsetDateTime.parse("2026-12-01T09:00:00Z");
        long version = plans.current(plan).version();
        own("Ada").does(() -> edits.edit(plan, version, put(json, now)));
        long left = version + 1;
        own("Ben").does(() -> edits.edit(plan, left, BuoyEdits.answer("b", "first", now)));
        own("Cid").does(() -> edits.edit(plan, left, BuoyEdits.answer("b", "second", now)));
        Buoy answered = plans.current(plan).plan().buoys().stream()
                .filter(one -> one.id().equals("b"))
                .findFirst()
                .orElseThrow();
        assertThat(answered.author()).isEqualTo("Ada");
        assertThat(answered.answers())
                .extracting(one -> one.author() + ": " + one.words())
                .containsExactly("Ben: first", "Cid: second");
        assertThatThrownBy(() -> own("Ben").does(() -> edits.edit(plan, left + 2, put(json, now))))
                .hasMessageContaining("Ada left this buoy, and alone changes its note");
        String first = answered.answers().get(0).id();
        assertThatThrownBy(() -> own("Cid").does(() -> edits.edit(plan, left + 2, BuoyEdits.takeBack("b", first))))
                .hasMessageContaining("Ben's answer, who alone takes it back");
        own("Ben").does(() -> edits.edit(plan, left + 2, BuoyEdits.takeBack("b", first)));
        assertThat(edits.undo(plan).became().plan().buoys()).contains(answered);
    }

    private static Edits.Change put(String json, OffsetDateTime now) {
        return BuoyEdits.put(ebbtide.formats.plan.PlanReader.parse(json), now);
    }
}
