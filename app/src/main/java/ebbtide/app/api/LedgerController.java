package ebbtide.app.api;

import ebbtide.app.desk.Edits;
import ebbtide.app.desk.LedgerEdits;
import ebbtide.app.desk.PlanAtVersion;
import ebbtide.app.desk.Plans;
import ebbtide.app.people.Role;
import ebbtide.app.storage.Stores;
import ebbtide.books.ActualLedger;
import ebbtide.books.ActualLedger.Said;
import ebbtide.books.LedgerRow;
import ebbtide.books.TrialBalance;
import ebbtide.formats.budget.SheetReader;
import ebbtide.formats.opening.AccountNames;
import ebbtide.formats.opening.NamedRows;
import ebbtide.formats.opening.TrialBalanceList;
import ebbtide.money.Check;
import ebbtide.money.Refused;
import ebbtide.statements.Statements;
import io.swagger.v3.oas.annotations.media.Schema;
import java.io.IOException;
import java.time.YearMonth;
import java.time.format.DateTimeParseException;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** What the ledger says of months that are over (rules 9.5): trial balances, and what their accounts are. */
@RestController
@RequestMapping("/api/plans/{plan}/ledger")
class LedgerController {
    private final Plans plans;
    private final Edits edits;
    private final Stores stores;

    LedgerController(Plans plans, Edits edits, Stores stores) {
        this.plans = plans;
        this.edits = edits;
        this.stores = stores;
    }

    /** What an account can be said to be: a row of the statements. */
    record LedgerRowView(String row, String name, boolean balance) {}

    /**
     * An account with its balance in the latest month that has it, what it was said to be, and else what its name says.
     */
    record LedgerAccountView(
            String account,
            String name,
            long minor,
            @Schema(nullable = true) @Nullable String row,
            @Schema(nullable = true) @Nullable String line,
            @Schema(nullable = true) @Nullable String proposed) {}

    /** The months with a trial balance, their accounts, what to look at, and what an account can be. */
    record TrialBalancesView(
            List<String> months,
            boolean monthAlone,
            List<LedgerAccountView> accounts,
            List<String> remarks,
            List<LedgerRowView> rows) {}

    @GetMapping
    @Allowed(Role.ONLOOKER)
    TrialBalancesView ledger(@PathVariable String plan) {
        PlanAtVersion now = plans.current(plan);
        ActualLedger ledger = now.ledger();
        Map<String, Said> said = ledger.byAccount();
        Map<String, LedgerAccountView> accounts = new TreeMap<>();
        ledger.months().stream()
                .flatMap(month -> month.balances().stream())
                .forEach(one -> accounts.put(one.account(), view(one, said.get(one.account()))));
        return new TrialBalancesView(
                ledger.months().stream().map(one -> one.month().toString()).toList(),
                ledger.monthAlone(),
                List.copyOf(accounts.values()),
                ledger.months().isEmpty()
                        ? List.of()
                        : Statements.of(now.forecast(), ledger).actual().remarks(),
                Arrays.stream(LedgerRow.values())
                        .map(row -> new LedgerRowView(
                                word(row), row.words(), row.kind().isPresent()))
                        .toList());
    }

    private static LedgerAccountView view(TrialBalance.Balance one, @Nullable Said said) {
        return new LedgerAccountView(
                one.account(),
                one.name(),
                one.minor(),
                said == null || said.row() == null ? null : word(said.row()),
                said == null ? null : said.line(),
                said == null
                        ? AccountNames.proposed(one).map(LedgerController::word).orElse(null)
                        : null);
    }

    private static String word(LedgerRow row) {
        return row.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /**
     * What became of a trial balance: rows that could not be read, nothing kept then; else how many accounts, and the
     * edit.
     */
    record TrialBalanceRead(
            int accounts,
            List<NamedRows.Unread> problems,
            @Schema(nullable = true) @Nullable EditOutcome edit) {}

    /** Reads the trial balance of a month from a file, CSV or XLSX, or what was pasted as one, and keeps it. */
    @PostMapping(path = "/months/{month}", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    TrialBalanceRead bring(
            @PathVariable String plan,
            @PathVariable String month,
            @RequestParam long version,
            @RequestPart MultipartFile file)
            throws IOException {
        TrialBalanceList list = TrialBalanceList.read(
                SheetReader.first(file.getBytes(), "the number of an account, its name and its balance"),
                month(month),
                plans.current(plan).plan().settings().currency());
        return list.problems().isEmpty()
                ? new TrialBalanceRead(
                        list.balance().balances().size(),
                        List.of(),
                        EditOutcome.of(plan, edits.edit(plan, version, LedgerEdits.put(list.balance())), stores))
                : new TrialBalanceRead(0, list.problems(), null);
    }

    @DeleteMapping("/months/{month}")
    EditOutcome remove(@PathVariable String plan, @PathVariable String month, @RequestParam long version) {
        return EditOutcome.of(plan, edits.edit(plan, version, LedgerEdits.remove(month(month))), stores);
    }

    private static YearMonth month(String text) {
        try {
            return YearMonth.parse(text);
        } catch (DateTimeParseException e) {
            throw new Refused("A month is written 2026-03, but was '" + text + "'");
        }
    }

    /** What an account is: the word of a row, or the id of a line; neither takes it back. */
    record SaidAccount(
            String account,
            @Schema(nullable = true) @Nullable String row,
            @Schema(nullable = true) @Nullable String line) {
        LedgerEdits.Saying saying() {
            Check.that(account != null && !account.isBlank(), "Say which account it is about");
            return new LedgerEdits.Saying(
                    account,
                    row == null && line == null ? null : new Said(account, row == null ? null : of(row), line));
        }

        private static LedgerRow of(String word) {
            return Arrays.stream(LedgerRow.values())
                    .filter(row -> word(row).equals(word))
                    .findFirst()
                    .orElseThrow(() -> new Refused("There is no row '" + word + "' in the statements: choose another"));
        }
    }

    /** Says what accounts are. */
    @PutMapping("/accounts")
    EditOutcome say(@PathVariable String plan, @RequestParam long version, @RequestBody List<SaidAccount> accounts) {
        return EditOutcome.of(
                plan,
                edits.edit(
                        plan,
                        version,
                        LedgerEdits.say(
                                accounts.stream().map(SaidAccount::saying).toList())),
                stores);
    }

    /** Whether income accounts begin anew each month. */
    record RunsOn(boolean monthAlone) {}

    @PutMapping("/runs")
    EditOutcome runs(@PathVariable String plan, @RequestParam long version, @RequestBody RunsOn runs) {
        return EditOutcome.of(plan, edits.edit(plan, version, LedgerEdits.run(runs.monthAlone())), stores);
    }
}
