package ebbtide.app.desk;

import ebbtide.app.people.Hand;
import ebbtide.app.people.Rights;
import ebbtide.app.people.Role;
import ebbtide.app.storage.ChangeLog.Turn;
import ebbtide.app.storage.PresentStore;
import ebbtide.app.storage.PresentStore.Present;
import ebbtide.app.storage.Stores;
import ebbtide.money.Check;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.SynchronousQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Tells whoever has a plan open of others' edits, and of who else is there and where, within a second. What it tells is
 * read from the database, so that it makes no difference which of several programs an edit was made in.
 */
@Component
public class Together {
    private static final int MOST_OPEN = 500;
    private static final int LONGEST_PLACE = 400;
    private static final int TOLD_AT_ONCE = 64;
    private static final Duration STAY_EVERY = Duration.ofSeconds(10);

    private final Stores stores;
    private final PresentStore present;
    private final Rights rights;
    private final Set<Open> open = ConcurrentHashMap.newKeySet();
    private final ThreadPoolExecutor telling =
            new ThreadPoolExecutor(0, TOLD_AT_ONCE, 10, TimeUnit.SECONDS, new SynchronousQueue<>(), work -> {
                Thread thread = new Thread(work, "telling");
                thread.setDaemon(true);
                return thread;
            });
    private long stayed = System.nanoTime();

    Together(Stores stores, PresentStore present, Rights rights) {
        this.stores = stores;
        this.present = present;
        this.rights = rights;
    }

    /** Something that is told to who has a plan open. */
    public sealed interface News {
        /** The plan has another version; whose edit that was and in which words, empty where it is not known. */
        record Edited(long version, String author, String words) implements News {}

        /** Nothing is new: it shows whether anybody still listens. */
        record Pulse() implements News {}

        /** Who else has the plan open, and where. */
        record Here(List<Present> others) implements News {}
    }

    /** Who is told: it throws once nobody listens any more. */
    @FunctionalInterface
    public interface Ear {
        /** Hears something; null that it was the last, and it may ask again. */
        void hear(@Nullable News news) throws Exception;
    }

    /** A window in which a plan is open: what it was told last. */
    private static final class Open {
        private final String tab;
        private final String planId;
        private final Supplier<Hand> hand;
        private final Ear ear;
        private final AtomicBoolean busy = new AtomicBoolean();
        private volatile long version;
        private volatile List<Present> others = List.of();
        private volatile boolean pulse;

        Open(String tab, String planId, long version, Supplier<Hand> hand, Ear ear) {
            this.tab = tab;
            this.planId = planId;
            this.version = version;
            this.hand = hand;
            this.ear = ear;
        }
    }

    /**
     * Tells an ear of a plan from a version on, until it listens no more or may not; whose hand it is, is asked anew
     * each time. What is returned ends it.
     */
    public Runnable open(String tab, String planId, long version, Supplier<Hand> hand, Ear ear) {
        Check.text(tab, "name of the window", 40);
        Check.that(open.size() < MOST_OPEN, "Plans are open in " + MOST_OPEN + " windows already: close some");
        present.come(tab, planId, hand.get().author());
        Open one = new Open(tab, planId, version, hand, ear);
        open.add(one);
        return () -> close(one);
    }

    private void close(Open one) {
        if (open.remove(one) && open.stream().noneMatch(other -> other.tab.equals(one.tab))) {
            present.leave(one.tab);
        }
    }

    /** Says what is looked at in a window: a view, a line or a figure, as the address of it has it. */
    public void look(String tab, String planId, String place) {
        present.look(tab, planId, Check.atMost(place, "place", LONGEST_PLACE));
    }

    /** Says that a window is closed. */
    public void leave(String tab, String planId) {
        open.stream()
                .filter(one -> one.tab.equals(tab) && one.planId.equals(planId))
                .forEach(this::last);
    }

    /** A program that ends does not wait for those who listen. */
    @EventListener(ContextClosedEvent.class)
    void end() {
        telling.shutdown();
        for (Open one : open) {
            // The database may have been closed before: who is here is not seen for long then, and gone.
            open.remove(one);
            last(one);
        }
    }

    private void last(Open one) {
        try {
            one.ear.hear(null);
        } catch (Exception e) {
            // Nobody listens any more.
        }
        close(one);
    }

    @Scheduled(fixedDelay = 300)
    void tell() {
        if (open.isEmpty()) {
            return;
        }
        if (System.nanoTime() - stayed > STAY_EVERY.toNanos()) {
            stayed = System.nanoTime();
            present.stay(open.stream().map(one -> one.tab).toList());
            open.forEach(one -> one.pulse = true);
        }
        Set<String> plans = open.stream().map(one -> one.planId).collect(Collectors.toSet());
        Map<String, Long> versions = stores.plans().versions(plans);
        Map<String, List<Present>> here = present.of(plans).stream().collect(Collectors.groupingBy(Present::planId));
        for (Open one : open) {
            Long version = versions.get(one.planId);
            List<Present> others = here.getOrDefault(one.planId, List.of()).stream()
                    .filter(other -> !other.tab().equals(one.tab))
                    .toList();
            boolean isNews = one.pulse || version == null || version != one.version || !others.equals(one.others);
            if (isNews && !one.busy.getAndSet(true)) {
                tell(one, version, others);
            }
        }
    }

    /** In a thread of its own: whoever takes long to hear keeps nobody else waiting. */
    private void tell(Open one, @Nullable Long version, List<Present> others) {
        try {
            telling.execute(() -> {
                try {
                    Optional<Role> role = role(one);
                    if (version == null || role.isEmpty()) {
                        last(one);
                        return;
                    }
                    if (one.pulse) {
                        one.ear.hear(new News.Pulse());
                        one.pulse = false;
                    }
                    if (version != one.version) {
                        one.ear.hear(edited(one.planId, version, role.get().covers(Role.VIEWER)));
                        one.version = version;
                    }
                    if (!others.equals(one.others)) {
                        one.ear.hear(new News.Here(others));
                        one.others = others;
                    }
                } catch (Exception e) {
                    close(one);
                } finally {
                    one.busy.set(false);
                }
            });
        } catch (RejectedExecutionException e) {
            // It is told in the next round.
            one.busy.set(false);
        }
    }

    private Optional<Role> role(Open one) throws Exception {
        List<Role> role = new ArrayList<>();
        one.hand.get().<Exception>does(() -> rights.find(one.planId).ifPresent(role::add));
        return role.stream().findFirst();
    }

    /** The words of an edit may say what somebody is paid. */
    private News.Edited edited(String planId, long version, boolean withWords) {
        List<Turn> latest = stores.log().turns(planId, version - 1, version);
        return latest.isEmpty()
                ? new News.Edited(version, "", "")
                : new News.Edited(
                        version,
                        latest.get(0).author(),
                        withWords ? latest.get(0).words() : "");
    }
}
