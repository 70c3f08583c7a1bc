package ebbtide.statements;

import static ebbtide.time.DayFormats.DAY;

import ebbtide.forecast.Forecast;
import ebbtide.money.Money;
import ebbtide.plan.Assumption;
import ebbtide.plan.Line;
import ebbtide.plan.OpeningSheet;
import ebbtide.plan.OpeningSheet.Entry;
import ebbtide.plan.OpeningSheet.Kind;
import ebbtide.plan.Plan;
import ebbtide.plan.Settings;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalLong;
import org.jspecify.annotations.Nullable;

/**
 * The checklist of an opening balance sheet (rules 9.1): what it lacks to balance, and what neither a flow clears nor
 * is said to stay.
 */
public final class OpeningCheck {
    private final Forecast forecast;
    private final Plan plan;
    private final Settings settings;
    private final Ledger ledger;
    private final List<Finding> findings = new ArrayList<>();

    private OpeningCheck(Forecast forecast) {
        this.forecast = forecast;
        this.plan = forecast.plan();
        this.settings = plan.settings();
        this.ledger = new Ledger(forecast);
    }

    /**
     * Something to look at: the line it is about and the kind of account (null: the sheet as a whole), by how much in
     * minor units, and in a sentence what, from when, its likely cause and how to mend it.
     */
    public record Finding(
            String sentence,
            @Nullable String lineId,
            @Nullable Kind kind,
            long minor) {}

    /**
     * What the check comes to: the day of the sheet, what it lacks to balance (assets less liabilities and equity) and
     * its findings.
     */
    public record Result(LocalDate on, boolean there, long unplaced, List<Finding> findings) {}

    /** Returns the checklist of a forecast's opening balance sheet. */
    public static Result of(Forecast forecast) {
        OpeningCheck check = new OpeningCheck(forecast);
        boolean there = !check.ledger.opensWithout();
        if (there) {
            check.held(Kind.CASH, check.ledger.cashAt(-1), "accounts");
            check.held(Kind.RESTRICTED_CASH, check.ledger.restrictedAt(-1), "restricted accounts");
            check.balance();
            check.entries();
            check.accounts();
        } else {
            check.missing();
        }
        return new Result(check.settings.openingDay(), there, check.ledger.unplaced(), List.copyOf(check.findings));
    }

    /**
     * Returns an opening balance sheet of the plan's day: entries that are there stay, each account that flows clear
     * and that has no entry gets what they clear, and cash what the accounts at the bank held.
     */
    public static OpeningSheet proposed(Forecast forecast) {
        OpeningCheck check = new OpeningCheck(forecast);
        List<Entry> entries = new ArrayList<>(check.ledger.entries());
        Clearing clearing = new Clearing(check.ledger);
        if (entries.stream().noneMatch(entry -> entry.kind() == Kind.CASH)) {
            entries.add(0, new Entry("Bank accounts", Kind.CASH, check.ledger.cashAt(-1), null, false));
        }
        for (Account account : check.ledger.accounts()) {
            OptionalLong left = clearing.left(account);
            boolean typed = entries.stream()
                    .anyMatch(entry -> account.lineId() != null
                            && account.lineId().equals(entry.lineId())
                            && entry.kind() == account.kind());
            if (left.isPresent() && !typed && account.opening() != left.getAsLong()) {
                entries.add(new Entry(
                        account.name(),
                        account.kind(),
                        (account.opening() - left.getAsLong()) * account.kind().sign(),
                        account.lineId(),
                        false));
            }
        }
        return new OpeningSheet(check.settings.openingDay(), entries);
    }

    /** Returns the opening balance sheet with what it lacks to balance placed in retained profit. */
    public static OpeningSheet placed(Forecast forecast) {
        OpeningCheck check = new OpeningCheck(forecast);
        List<Entry> entries = new ArrayList<>(check.ledger.entries());
        for (int i = 0; i < entries.size(); i++) {
            Entry one = entries.get(i);
            if (one.kind() == Kind.RETAINED) {
                entries.set(
                        i,
                        new Entry(one.name(), one.kind(), one.amount() + check.ledger.unplaced(), null, one.stays()));
                return new OpeningSheet(check.settings.openingDay(), entries);
            }
        }
        entries.add(new Entry(Kind.RETAINED.words(), Kind.RETAINED, check.ledger.unplaced(), null, false));
        return new OpeningSheet(check.settings.openingDay(), entries);
    }

    private void add(String sentence, @Nullable String lineId, @Nullable Kind kind, long minor) {
        findings.add(new Finding(sentence, lineId, kind, minor));
    }

    private String words(long minor) {
        return Money.words(minor, settings.currency());
    }

    private void missing() {
        OpeningSheet sheet = settings.openingSheet();
        String day = DAY.format(settings.openingDay());
        add(
                sheet == null
                        ? "There is no opening balance sheet: balances show only what changes from " + day
                                + " on. Type, paste or propose the one of that day"
                        : "The opening balance sheet is of " + DAY.format(sheet.on())
                                + ", but the forecast starts after " + day + ": bring in that of " + day,
                null,
                null,
                0);
    }

    private void held(Kind kind, long held, String accounts) {
        List<Entry> typed =
                ledger.entries().stream().filter(entry -> entry.kind() == kind).toList();
        long difference = typed.stream().mapToLong(Entry::amount).sum() - held;
        if (!typed.isEmpty() && difference != 0) {
            add(
                    kind.words() + " of the opening balance sheet is " + words(Math.abs(difference))
                            + (difference > 0 ? " more" : " less") + " than the " + words(held)
                            + " the " + accounts + " held at the end of " + DAY.format(settings.openingDay())
                            + ": cheques or transfers on the way are amounts due or owed, or a statement is missing",
                    null,
                    kind,
                    difference);
        }
    }

    private void balance() {
        long missing = ledger.unplaced();
        if (missing != 0) {
            add(
                    "The opening balance sheet does not balance: " + words(Math.abs(missing))
                            + (missing > 0
                                    ? " more is owned than owed and equity"
                                    : " less is owned than owed and equity")
                            + ", from the opening on. It is shown as not placed: place it where it belongs, most often in retained profit",
                    null,
                    null,
                    missing);
        }
    }

    private void entries() {
        for (Entry entry : ledger.entries()) {
            boolean equity = entry.kind().side() == OpeningSheet.Side.EQUITY;
            if (Ledger.isAtBank(entry.kind()) || equity || entry.amount() == 0) {
                continue;
            }
            if (entry.lineId() != null && plan.findLine(entry.lineId()).isEmpty()) {
                add(
                        entry.name()
                                + " was cleared by a line that is no longer there: choose the line that clears its "
                                + words(entry.amount()) + ", or say that it stays",
                        null,
                        entry.kind(),
                        entry.amount());
            } else if (entry.lineId() != null
                    && plan.findLine(entry.lineId())
                            .filter(line -> !line.isGroup() && plan.isActive(line))
                            .isEmpty()) {
                add(
                        entry.name() + ", " + words(entry.amount()) + ", is to be cleared by "
                                + plan.findLine(entry.lineId()).orElseThrow().name()
                                + ", which is switched off or a heading: choose a line that pays, or say that it stays",
                        entry.lineId(),
                        entry.kind(),
                        entry.amount());
            } else if (entry.lineId() == null && !entry.stays()) {
                add(
                        "Nothing clears " + entry.name() + ", " + words(entry.amount())
                                + ": choose the line that does, or say that it stays",
                        null,
                        entry.kind(),
                        entry.amount());
            }
        }
    }

    private void accounts() {
        Clearing clearing = new Clearing(ledger);
        for (Account account : ledger.accounts()) {
            clearing.left(account).ifPresent(left -> {
                if (left != 0) {
                    add(sentence(account, left), account.lineId(), account.kind(), left);
                }
            });
        }
    }

    private String sentence(Account account, long left) {
        long cleared = (account.opening() - left) * account.kind().sign();
        Line line = plan.findLine(account.lineId()).orElseThrow();
        return account.kind().words() + " of " + account.name() + ": the opening balance sheet has "
                + words(account.opening() * account.kind().sign()) + ", its flows clear " + words(cleared) + "; "
                + words(Math.abs(left)) + " stays on the balance sheet. " + cause(line);
    }

    private String cause(Line line) {
        if (!line.overrides().isEmpty()) {
            return "Likely: cash of " + line.name() + " was put by hand from "
                    + DAY.format(line.overrides().get(0).period().startInclusive())
                    + " on, and clears more or less than was billed";
        }
        if (line.findStream()
                .map(Assumption.Stream::ledger)
                .filter(ledger -> !ledger.trueUp())
                .isPresent()) {
            return "Likely: its ledger and its pattern differ: true it up";
        }
        if (settings.asOf().isAfter(settings.openingDay())
                && forecast.books().byLine().getOrDefault(line.id(), List.of()).stream()
                        .anyMatch(one -> one.day().isAfter(settings.openingDay()))) {
            return "Likely: what was booked since " + DAY.format(settings.openingDay())
                    + " came otherwise than planned, or the entry is not what was owed then";
        }
        return "Likely: the entry is not what was owed then: take what its flows clear, or add an item for the rest";
    }
}
