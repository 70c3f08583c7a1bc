package ebbtide.app.api;

import ebbtide.app.desk.PlanAtVersion;
import ebbtide.app.desk.Plans;
import ebbtide.app.desk.WholePlans;
import ebbtide.app.jobs.DailyBackups;
import ebbtide.app.jobs.StatementJobs;
import ebbtide.app.people.Role;
import ebbtide.money.Refused;
import java.io.IOException;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Plans that nobody works on any more: put into the archive and taken out of it, or deleted for good. */
@RestController
@RequestMapping("/api/plans/{plan}")
class RemovalController {
    private final Plans plans;
    private final WholePlans whole;
    private final DailyBackups backups;
    private final StatementJobs jobs;

    RemovalController(Plans plans, WholePlans whole, DailyBackups backups, StatementJobs jobs) {
        this.jobs = jobs;
        this.plans = plans;
        this.whole = whole;
        this.backups = backups;
    }

    /** Where all data lie as they were before a plan was deleted. */
    record Deleted(String backup) {}

    /** Puts a plan into the archive, where it is read and not changed, or takes it out. */
    @PutMapping("/archived")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Allowed(Role.OWNER)
    void archive(@PathVariable String plan, @RequestParam boolean archived) {
        whole.archive(plan, archived);
    }

    /** Deletes a plan whose name is said with it, once all data are copied. */
    @DeleteMapping
    @Allowed(Role.OWNER)
    Deleted delete(@PathVariable String plan, @RequestParam String name) {
        PlanAtVersion now = plans.current(plan);
        String named = now.plan().settings().name();
        if (!named.equals(name.strip())) {
            throw new Refused(
                    "The plan is named '" + named + "', and not '" + name + "': type its name as it is to delete it");
        }
        jobs.requireNone(plan);
        String backup = backup(plan);
        jobs.requireNone(plan);
        whole.remove(plan, now.version());
        return new Deleted(backup);
    }

    private String backup(String plan) {
        try {
            return backups.beforeDeleting(plan).toString();
        } catch (IOException e) {
            throw new Refused("The plan was not deleted, as no backup could be made before: " + e.getMessage(), e);
        }
    }
}
