package ebbtide.app.jobs;

import ebbtide.app.desk.Edits;
import ebbtide.app.jobs.BankFiles.HeldFile;
import ebbtide.app.people.Hand;
import ebbtide.app.storage.BringingInStore;
import ebbtide.app.storage.DialectStore;
import ebbtide.app.storage.Engine;
import ebbtide.app.storage.NotFound;
import ebbtide.app.storage.Stores;
import ebbtide.formats.bank.CsvDialect;
import ebbtide.money.Refused;
import jakarta.annotation.PreDestroy;
import java.util.Currency;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/**
 * The bringing in of bank files, one after the other; of those that are over the last ten are known. On a server each
 * program says of its own how they stand, so that any of them can be asked, and asked to stop one.
 */
@Component
public class StatementJobs {
    private static final JsonMapper JSON = new JsonMapper();
    private static final int KNOWN = 10;
    /** More than a finance team ever hands over at a time. */
    private static final int MOST_WAITING = 50;

    private final BankFiles files;
    private final Edits edits;
    private final Stores stores;
    private final DialectStore dialects;
    private final Engine engine;
    private final BringingInStore shared;
    private final Map<String, StatementJob> jobs = new LinkedHashMap<>();
    /** Those whose end the others on the server have not been told. */
    private final Map<String, StatementJob> unsaid = new ConcurrentHashMap<>();

    private final ExecutorService worker = Executors.newSingleThreadExecutor(work -> new Thread(work, "bank-files"));

    StatementJobs(
            BankFiles files, Edits edits, Stores stores, DialectStore dialects, Engine engine, BringingInStore shared) {
        this.files = files;
        this.edits = edits;
        this.stores = stores;
        this.dialects = dialects;
        this.engine = engine;
        this.shared = shared;
        if (engine.isServer()) {
            shared.forgetOwn();
        }
    }

    /**
     * Starts bringing in a file by a confirmed dialect, which is remembered for its account; returns the job's id.
     *
     * @throws Refused where nobody has said which account it is of, and while too many others wait
     */
    public String start(HeldFile file, CsvDialect dialect, Currency currency, boolean leaveBadRows) {
        if (file.account() == null) {
            throw new Refused("Say first which account the file '" + file.name() + "' is the statement of");
        }
        dialects.put(file.planId(), file.account(), dialect);
        return start(file, StatementJob.csv(file.account(), dialect, currency), leaveBadRows);
    }

    /**
     * Starts bringing in a file, whose movements are assigned by the plan's rules; returns the job's id.
     *
     * @throws Refused while too many others wait
     */
    public synchronized String start(HeldFile file, StatementJob.Content content, boolean leaveBadRows) {
        List<String> over = jobs.entrySet().stream()
                .filter(one -> one.getValue().isOver())
                .map(Map.Entry::getKey)
                .toList();
        over.subList(0, Math.max(0, over.size() - KNOWN + 1)).forEach(this::forget);
        if (jobs.size() - over.size() >= MOST_WAITING) {
            throw new Refused(
                    "There are " + MOST_WAITING + " files being brought in already: wait for one of them to end");
        }
        StatementJob job = new StatementJob(
                file, content, leaveBadRows, stores.rules().all(file.planId()), edits, stores.statements());
        String id = UUID.randomUUID().toString();
        if (engine.isServer()) {
            say(id, job);
            unsaid.put(id, job);
        }
        jobs.put(id, job);
        files.claim(file.id());
        Runnable work = Hand.atWork().atBase().doing(job);
        worker.execute(() -> {
            work.run();
            files.release(file.id());
            if (job.standing().progress().state() == BringingIn.State.DONE) {
                files.drop(file.id());
            }
        });
        return id;
    }

    private void forget(String id) {
        jobs.remove(id);
        unsaid.remove(id);
        if (engine.isServer()) {
            shared.forget(id);
        }
    }

    /** Says how one stands; returns whether that is its end. */
    private boolean say(String id, StatementJob job) {
        BringingIn now = job.standing();
        boolean over = now.progress().state().isOver();
        shared.say(id, job.planId(), JSON.writeValueAsString(now), over);
        return over;
    }

    /** Says how those stand whose end was not said yet, and stops those that others were asked to stop. */
    @Scheduled(fixedDelay = 500)
    void sayAll() {
        if (!unsaid.isEmpty()) {
            shared.askedToStop().stream()
                    .map(unsaid::get)
                    .filter(Objects::nonNull)
                    .forEach(StatementJob::stop);
            unsaid.entrySet().removeIf(one -> say(one.getKey(), one.getValue()));
        }
    }

    /**
     * Requires that no file is being brought into a plan.
     *
     * @throws Refused while one is, in a sentence
     */
    public synchronized void requireNone(String planId) {
        if (jobs.values().stream().anyMatch(job -> job.planId().equals(planId) && !job.isOver())
                || engine.isServer() && shared.isUnderWay(planId)) {
            throw new Refused("A bank file is being brought into the plan: stop that, or wait for its end");
        }
    }

    /**
     * Returns how a job of a plan stands.
     *
     * @throws NotFound for an id that is not there, or is no longer known
     */
    public BringingIn get(String planId, String id) {
        return here(planId, id)
                .map(StatementJob::standing)
                .or(() -> engine.isServer()
                        ? shared.find(planId, id).map(said -> JSON.readValue(said, BringingIn.class))
                        : Optional.empty())
                .orElseThrow(() -> new NotFound("running import", id));
    }

    /**
     * Asks a job of a plan to stop, and returns how it stands.
     *
     * @throws NotFound as {@link #get} does
     */
    public BringingIn stop(String planId, String id) {
        here(planId, id).ifPresentOrElse(StatementJob::stop, () -> {
            if (engine.isServer() && shared.find(planId, id).isPresent()) {
                shared.askStop(id);
            }
        });
        return get(planId, id);
    }

    private synchronized Optional<StatementJob> here(String planId, String id) {
        return Optional.ofNullable(jobs.get(id)).filter(job -> job.planId().equals(planId));
    }

    /** At the end of the program what is under way is given up, and the next start says so. */
    @PreDestroy
    void end() {
        worker.shutdownNow();
    }
}
