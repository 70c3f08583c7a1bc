package ebbtide.app.desk;

import ebbtide.plan.AmountSteps;
import ebbtide.plan.AssumptionChange;
import ebbtide.plan.Certainty;
import ebbtide.plan.Chances;
import ebbtide.plan.Covenant;
import ebbtide.plan.NamedTerms;
import ebbtide.plan.Plan;
import ebbtide.plan.SaidHabit;
import ebbtide.plan.Settings;
import ebbtide.plan.SourceDocument;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** What an edit of the settings changed, in words for the change log. */
final class SettingsWords {
    private final List<String> words = new ArrayList<>();

    private final List<AssumptionChange> changes;

    private SettingsWords(List<AssumptionChange> changes) {
        this.changes = changes;
    }

    /** Returns "Settings: 18 months ahead, weeks begin on Sunday", each part for something that is not as before. */
    static String of(Plan plan, Settings after) {
        Settings before = plan.settings();
        SettingsWords all =
                new SettingsWords(AssumptionChange.ofSettings(plan, new Plan(after, plan.lines(), plan.buoys())));
        all.add(before.asOf(), after.asOf(), "as-of date moved from " + before.asOf() + " to " + after.asOf());
        all.add(before.name(), after.name(), "the plan is called '" + after.name() + "'");
        all.add(before.horizonMonths(), after.horizonMonths(), after.horizonMonths() + " months ahead");
        all.add(before.firstDayOfWeek(), after.firstDayOfWeek(), "weeks begin on " + capital(after.firstDayOfWeek()));
        all.add(
                before.firstFiscalMonth(),
                after.firstFiscalMonth(),
                "fiscal year begins in " + capital(after.firstFiscalMonth()));
        all.add(
                before.amountSteps(),
                after.amountSteps(),
                "a new amount inside a month counts "
                        + (after.amountSteps() == AmountSteps.BY_DAYS ? "by days" : "from the next month"));
        all.add(before.minimumCash(), after.minimumCash(), all.changed("/cash/minimumCash", "minimum cash set"));
        all.add(
                before.facility(),
                after.facility(),
                after.facility() == null
                        ? "no facility"
                        : all.changed(
                                "/cash/facility",
                                "limit or rate of " + after.facility().name() + " set"));
        all.add(before.cashRate(), after.cashRate(), all.changed("/cash/cashRate", "rate on cash set"));
        all.add(
                before.paymentRuns(),
                after.paymentRuns(),
                after.paymentRuns() == null
                        ? "bills paid one by one"
                        : after.paymentRuns().words());
        all.add(
                before.covenants(),
                after.covenants(),
                "covenants: "
                        + (after.covenants().isEmpty()
                                ? "none"
                                : after.covenants().stream().map(Covenant::name).collect(Collectors.joining(", "))));
        all.add(before.pastMonths(), after.pastMonths(), "months before the forecast set, for covenants");
        all.add(
                before.openingSheet(),
                after.openingSheet(),
                after.openingSheet() == null
                        ? "no opening balance sheet"
                        : "opening balance sheet of " + after.openingSheet().on() + " set");
        all.add(
                before.explained(),
                after.explained(),
                after.explained() == null ? "no variance has to be explained" : "which variances are explained set");
        all.add(before.years(), after.years(), after.years() == null ? "no years" : "years set");
        all.add(
                before.funding(),
                after.funding(),
                all.changed("/cash/funding", "when facilities are drawn, and minimum cash by days, set"));
        all.add(
                before.closedAfter(),
                after.closedAfter(),
                "a month on books is closed " + after.closedAfter() + " days after its end");
        for (SaidHabit habit : after.habits()) {
            if (!before.habits().contains(habit)) {
                all.words.add(habit.counterparty() + " expected "
                        + (habit.days() == 0
                                ? "when due"
                                : Math.abs(habit.days()) + " days " + (habit.days() > 0 ? "late" : "early")));
            }
        }
        before.habits().stream()
                .filter(was -> after.habits().stream()
                        .noneMatch(now -> now.direction() == was.direction()
                                && now.counterparty().equals(was.counterparty())))
                .forEach(was -> all.words.add(was.counterparty() + " expected by its habit again"));
        all.addChances(plan, before.chances(), after.chances());
        all.addTerms(before, after);
        all.add(
                before.documents(),
                after.documents(),
                "source documents ticked off: "
                        + after.documents().stream()
                                .filter(SourceDocument::seen)
                                .count() + " of " + after.documents().size());
        all.add(
                before.countedReceipts(),
                after.countedReceipts(),
                "receipts that count: " + list(after.countedReceipts()));
        all.add(
                before.countedPayments(),
                after.countedPayments(),
                "payments that count: " + list(after.countedPayments()));
        return "Settings: " + (all.words.isEmpty() ? "as they were" : String.join(", ", all.words));
    }

    /** Returns the one assumption under a path that changed; what is said of them otherwise. */
    private String changed(String path, String otherwise) {
        List<AssumptionChange> under =
                changes.stream().filter(one -> one.path().startsWith(path)).toList();
        return under.size() == 1 ? under.get(0).words() : otherwise;
    }

    private void add(@Nullable Object before, @Nullable Object after, String what) {
        if (!Objects.equals(before, after)) {
            words.add(what);
        }
    }

    /** Lines that are firm, or drawn, now are named; doubts are said as they were and are. */
    private void addChances(Plan plan, Chances before, Chances after) {
        plan.lines().stream()
                .filter(line -> before.isFirm(line.id(), line.assumption().isDoubtful())
                        != after.isFirm(line.id(), line.assumption().isDoubtful()))
                .forEach(line -> words.add(line.name()
                        + (after.isFirm(line.id(), line.assumption().isDoubtful()) ? " is firm" : " is drawn")));
        add(before.with(List.of(), List.of()), after.with(List.of(), List.of()), changed("/chances", "doubts set"));
    }

    private void addTerms(Settings before, Settings after) {
        for (NamedTerms terms : after.terms()) {
            NamedTerms was = before.findTerms(terms.id()).orElse(null);
            add(
                    was,
                    terms,
                    was == null
                            ? "shared terms '" + terms.name() + "' added"
                            : changed(
                                    "/references/terms[" + terms.id() + "]",
                                    "shared terms '" + terms.name() + "' changed"));
        }
        before.terms().stream()
                .filter(terms -> after.findTerms(terms.id()).isEmpty())
                .forEach(terms -> words.add("shared terms '" + terms.name() + "' taken out"));
    }

    private static String capital(Enum<?> constant) {
        return constant.name().charAt(0) + constant.name().substring(1).toLowerCase(Locale.ROOT);
    }

    private static String list(Set<Certainty> certainties) {
        return certainties.isEmpty()
                ? "none"
                : certainties.stream()
                        .sorted(Comparator.comparing(Certainty::ordinal))
                        .map(certainty -> certainty.name().toLowerCase(Locale.ROOT))
                        .collect(Collectors.joining(", "));
    }
}
