package ebbtide.app.storage;

import org.springframework.stereotype.Component;

/** The stores of a plan's aggregates, together. */
@Component
public record Stores(
        PlanStore plans,
        LineStore lines,
        BuoyStore buoys,
        AccountStore accounts,
        RuleStore rules,
        MovementStore movements,
        StatementStore statements,
        BankNumberStore bankNumbers,
        SnapshotStore snapshots,
        OpenItemStore items,
        RollStore rolls,
        NoteStore notes,
        ScenarioStore scenarios,
        LedgerStore ledgers,
        ChangeLog log) {}
