package ebbtide.app.jobs;

import ebbtide.app.desk.Edits;
import ebbtide.app.jobs.BankFiles.HeldFile;
import ebbtide.app.people.Hand;
import ebbtide.app.storage.DialectStore;
import ebbtide.app.storage.NotFound;
import ebbtide.app.storage.Stores;
import ebbtide.formats.bank.CsvDialect;
import ebbtide.money.Refused;
import jakarta.annotation.PreDestroy;
import java.util.Currency;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.springframework.stereotype.Component;

/** The bringing in of bank files, one after the other; of those that are over the last ten are known. */
@Component
public class StatementJobs {
    private static final int KNOWN = 10;
    /** More than a finance team ever hands over at a time. */
    private static final int MOST_WAITING = 50;

    private final BankFiles files;
    private final Edits edits;
    private final Stores stores;
    private final DialectStore dialects;
    private final Map<String, StatementJob> jobs = new LinkedHashMap<>();
    private final ExecutorService worker = Executors.newSingleThreadExecutor(work -> new Thread(work, "bank-files"));

    StatementJobs(BankFiles files, Edits edits, Stores stores, DialectStore dialects) {
        this.files = files;
        this.edits = edits;
        this.stores = stores;
        this.dialects = dialects;
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
        over.subList(0, Math.max(0, over.size() - KNOWN + 1)).forEach(jobs::remove);
        if (jobs.size() - over.size() >= MOST_WAITING) {
            throw new Refused(
                    "There are " + MOST_WAITING + " files being brought in already: wait for one of them to end");
        }
        StatementJob job = new StatementJob(
                file, content, leaveBadRows, stores.rules().all(file.planId()), edits, stores.statements());
        String id = UUID.randomUUID().toString();
        jobs.put(id, job);
        files.claim(file.id());
        Runnable work = Hand.atWork().atBase().doing(job);
        worker.execute(() -> {
            work.run();
            files.release(file.id());
            if (job.progress().state() == StatementJob.State.DONE) {
                files.drop(file.id());
            }
        });
        return id;
    }

    /**
     * Requires that no file is being brought into a plan.
     *
     * @throws Refused while one is, in a sentence
     */
    public synchronized void requireNone(String planId) {
        if (jobs.values().stream().anyMatch(job -> job.planId().equals(planId) && !job.isOver())) {
            throw new Refused("A bank file is being brought into the plan: stop that, or wait for its end");
        }
    }

    /**
     * Returns a job of a plan.
     *
     * @throws NotFound for an id that is not there, or is no longer known
     */
    public synchronized StatementJob get(String planId, String id) {
        StatementJob job = jobs.get(id);
        if (job == null || !job.planId().equals(planId)) {
            throw new NotFound("running import", id);
        }
        return job;
    }

    /** At the end of the program what is under way is given up, and the next start says so. */
    @PreDestroy
    void end() {
        worker.shutdownNow();
    }
}
