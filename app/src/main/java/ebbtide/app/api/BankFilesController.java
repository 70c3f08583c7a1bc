package ebbtide.app.api;

import ebbtide.app.desk.Plans;
import ebbtide.app.jobs.ArrivingStatements;
import ebbtide.app.jobs.BankFiles;
import ebbtide.app.jobs.BankFiles.HeldFile;
import ebbtide.app.jobs.BankFiles.Preview;
import ebbtide.app.jobs.BringingIn;
import ebbtide.app.jobs.StatementJobs;
import ebbtide.app.people.Role;
import ebbtide.app.storage.DialectStore;
import ebbtide.app.storage.NotFound;
import ebbtide.app.storage.Stores;
import ebbtide.books.Account;
import ebbtide.formats.bank.BankRow;
import ebbtide.formats.bank.CsvDialect;
import ebbtide.formats.bank.CsvDialect.Columns;
import ebbtide.formats.bank.CsvDialect.Encoding;
import ebbtide.formats.bank.CsvProposal;
import ebbtide.formats.bank.DateOrder;
import ebbtide.formats.bank.RowProblem;
import ebbtide.money.Refused;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.Collection;
import java.util.Currency;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** A bank's file on its way in: handed over, previewed by a dialect, confirmed, brought in with progress. */
@RestController
@RequestMapping("/api/plans/{plan}/bank-files")
class BankFilesController {
    private static final int SHOWN = 12;
    private final BankFiles files;
    private final DialectStore dialects;
    private final ArrivingStatements arriving;
    private final StatementJobs jobs;
    private final Plans plans;
    private final Stores stores;

    BankFilesController(
            BankFiles files,
            DialectStore dialects,
            ArrivingStatements arriving,
            StatementJobs jobs,
            Plans plans,
            Stores stores) {
        this.files = files;
        this.jobs = jobs;
        this.arriving = arriving;
        this.dialects = dialects;
        this.plans = plans;
        this.stores = stores;
    }

    /**
     * A file that waits. In a standard format it says of itself what statements it holds; else its raw fields, how it
     * is read, what comes out, and where the dialect came from.
     */
    record FileView(
            String id,
            String name,
            @Schema(nullable = true) @Nullable String format,
            List<StatementView> statements,
            List<List<String>> fields,
            @Schema(nullable = true) @Nullable DialectView dialect,
            boolean remembered,
            List<RowView> rows,
            List<RowProblem> problems) {}

    /**
     * A statement of a file: its number at the bank, the account that is said to be, what it declares, and what is
     * amiss.
     */
    record StatementView(
            String accountNumber,
            @Schema(nullable = true) @Nullable String account,
            String number,
            LocalDate from,
            LocalDate to,
            @Schema(nullable = true) @Nullable Long opening,
            @Schema(nullable = true) @Nullable Long closing,
            int movements,
            int notBooked,
            boolean isThere,
            @Schema(nullable = true) @Nullable String amiss) {
        static StatementView of(ArrivingStatements.Arriving one) {
            return new StatementView(
                    one.declared().accountNumber(),
                    one.account(),
                    one.declared().number(),
                    one.declared().from(),
                    one.declared().to(),
                    one.declared().opening(),
                    one.declared().closing(),
                    one.declared().rows().size(),
                    one.declared().notBooked(),
                    one.isThere(),
                    one.amiss());
        }
    }

    /** A movement as it would be brought in. */
    record RowView(
            int line,
            LocalDate bookingDate,
            long minor,
            String text,
            String counterparty,
            @Schema(nullable = true) @Nullable Long balance) {
        static RowView of(BankRow row) {
            return new RowView(
                    row.line(), row.bookingDate(), row.minor(), row.text(), row.counterparty(), row.balance());
        }
    }

    /** How a file is read; columns are numbered from 0, -1 is none. */
    record DialectView(
            Encoding encoding,
            String separator,
            int headerLines,
            DateOrder dateOrder,
            String decimalMark,
            Columns columns) {
        static DialectView of(CsvDialect d) {
            return new DialectView(
                    d.encoding(),
                    String.valueOf(d.separator()),
                    d.headerLines(),
                    d.dateOrder(),
                    String.valueOf(d.decimalMark()),
                    d.columns());
        }

        CsvDialect dialect() {
            if (separator == null || separator.length() != 1 || decimalMark == null || decimalMark.length() != 1) {
                throw new Refused("A separator and a decimal mark are one character each");
            }
            return new CsvDialect(
                    encoding, separator.charAt(0), headerLines, dateOrder, decimalMark.charAt(0), columns);
        }
    }

    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    FileView hand(
            @PathVariable String plan,
            @RequestParam(required = false) String account,
            @RequestPart MultipartFile file) {
        if (account != null) {
            requireAccounts(plan, List.of(account));
        }
        String name = Optional.ofNullable(file.getOriginalFilename()).orElse("bank file");
        HeldFile held = files.hold(plan, account, name, file.getSize(), path -> file.transferTo(path.toFile()));
        if (files.format(held).isPresent()) {
            return declared(held, arriving.proposed(held));
        }
        CsvProposal proposal = files.propose(held);
        Optional<CsvDialect> remembered = account == null
                ? Optional.empty()
                : dialects.find(plan, account).filter(d -> fits(held, d));
        return view(held, proposal, remembered.or(proposal::dialect).orElse(null), remembered.isPresent());
    }

    private void requireAccounts(String plan, Collection<String> accounts) {
        Set<String> known =
                plans.current(plan).books().accounts().stream().map(Account::id).collect(Collectors.toSet());
        for (String account : accounts) {
            if (!known.contains(account)) {
                throw new NotFound("account", account);
            }
        }
    }

    private FileView declared(HeldFile held, Map<String, String> accounts) {
        return new FileView(
                held.id(),
                held.name(),
                files.format(held).orElseThrow().title(),
                arriving.view(held, accounts).stream().map(StatementView::of).toList(),
                List.of(),
                null,
                false,
                List.of(),
                List.of());
    }

    /**
     * Says of each number at the bank which account it is, and returns the file as it then stands to those accounts.
     */
    @PostMapping("/{id}/accounts")
    FileView accounts(@PathVariable String plan, @PathVariable String id, @RequestBody Map<String, String> accounts) {
        requireAccounts(plan, accounts.values());
        return declared(files.get(plan, id), accounts);
    }

    /** Starts bringing in the statements of a file in a standard format, each into its account. */
    @PostMapping("/{id}/statements/take")
    JobView takeStatements(
            @PathVariable String plan, @PathVariable String id, @RequestBody Map<String, String> accounts) {
        requireAccounts(plan, accounts.values());
        HeldFile held = files.get(plan, id);
        String job = jobs.start(held, arriving.content(held, accounts), false);
        return view(plan, job, jobs.get(plan, job));
    }

    /** A remembered dialect is used if it reads more rows than it stumbles over. */
    private boolean fits(HeldFile held, CsvDialect dialect) {
        Preview preview = files.preview(held, dialect, currency(held.planId()), 100);
        return preview.rows().size() > preview.problems().size();
    }

    @PostMapping("/{id}/preview")
    FileView preview(@PathVariable String plan, @PathVariable String id, @RequestBody DialectView dialect) {
        HeldFile held = files.get(plan, id);
        CsvDialect chosen = dialect.dialect();
        return view(held, files.propose(held, chosen.encoding(), chosen.separator()), chosen, false);
    }

    private FileView view(HeldFile held, CsvProposal proposal, @Nullable CsvDialect dialect, boolean remembered) {
        Preview preview = dialect == null
                ? new Preview(List.of(), List.of())
                : files.preview(held, dialect, currency(held.planId()), SHOWN);
        return new FileView(
                held.id(),
                held.name(),
                null,
                List.of(),
                proposal.rows(),
                dialect == null ? null : DialectView.of(dialect),
                remembered,
                preview.rows().stream().map(RowView::of).toList(),
                preview.problems());
    }

    /** Starts bringing a file in by a confirmed dialect, which is remembered for its account. */
    @PostMapping("/{id}/take")
    JobView take(
            @PathVariable String plan,
            @PathVariable String id,
            @RequestParam(defaultValue = "false") boolean leaveBadRows,
            @RequestBody DialectView dialect) {
        HeldFile held = files.get(plan, id);
        CsvDialect chosen = dialect.dialect();
        String job = jobs.start(held, chosen, currency(plan), leaveBadRows);
        return view(plan, job, jobs.get(plan, job));
    }

    private Currency currency(String plan) {
        return plans.current(plan).plan().settings().currency();
    }

    /** How far a job is, and what its edit did once it is done. */
    record JobView(
            String id,
            String state,
            long bytesRead,
            long bytes,
            int rows,
            int badRows,
            List<RowProblem> problems,
            int added,
            int alreadyThere,
            int assigned,
            @Schema(nullable = true) @Nullable LocalDate lastDay,
            @Nullable String sentence,
            @Schema(nullable = true) @Nullable EditOutcome outcome) {}

    @GetMapping("/jobs/{job}")
    @Allowed(Role.ONLOOKER)
    JobView job(@PathVariable String plan, @PathVariable String job) {
        return view(plan, job, jobs.get(plan, job));
    }

    @DeleteMapping("/jobs/{job}")
    JobView stop(@PathVariable String plan, @PathVariable String job) {
        return view(plan, job, jobs.stop(plan, job));
    }

    private JobView view(String plan, String id, BringingIn job) {
        BringingIn.Progress p = job.progress();
        BringingIn.BroughtIn made = job.edit();
        return new JobView(
                id,
                p.state().name(),
                p.bytesRead(),
                p.bytes(),
                p.rows(),
                p.badRows(),
                p.problems(),
                p.added(),
                p.alreadyThere(),
                p.assigned(),
                p.lastDay(),
                p.sentence(),
                made == null
                        ? null
                        : EditOutcome.of(plan, made.words(), made.was(), made.became(), plans.shown(plan), stores));
    }
}
