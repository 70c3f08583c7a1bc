package ebbtide.sim;

import ebbtide.money.Percent;
import ebbtide.plan.DayRange;
import ebbtide.whatif.Act;
import ebbtide.whatif.Change;
import ebbtide.whatif.Scenario;
import ebbtide.whatif.Scenarios;
import ebbtide.whatif.Target;
import java.time.LocalDate;
import java.util.List;

/** The futures that the demo company looks at: two bad ones, both at once, and what could be done about it. */
final class DemoScenarios {
    private static final DayRange HALF_A_YEAR = new DayRange(LocalDate.of(2026, 5, 1), LocalDate.of(2026, 10, 31));

    private static final String BREAKWATER = "both-bad";

    private DemoScenarios() {}

    static Scenarios all() {
        return new Scenarios(List.of(
                scenario(
                        "late-grocers",
                        "Late grocers",
                        "The two largest chains have asked for longer terms.",
                        List.of(),
                        change(
                                "c1",
                                new Target.OfLine("grocery"),
                                new Act.PaidLater(12),
                                DayRange.ALWAYS,
                                "what they ask for")),
                scenario(
                        "lost-export",
                        "Lost exporter",
                        "The distributor abroad may not renew in May.",
                        List.of(),
                        change(
                                "c1",
                                new Target.OfLine("export"),
                                new Act.LeaveOut(),
                                HALF_A_YEAR,
                                "until another is found"),
                        change(
                                "c2",
                                new Target.OfLine("marketing"),
                                new Act.Scale(Percent.parse("40")),
                                HALF_A_YEAR,
                                "no fairs abroad meanwhile")),
                scenario(
                        "later-refit",
                        "Refit a year later",
                        "The yard would hold the slip for next spring.",
                        List.of(),
                        aYearLater("c1", "2026-04-30"),
                        aYearLater("c2", "2026-05-20")),
                scenario(
                        "both-bad",
                        "Both bad ones",
                        "What funding has to bear.",
                        List.of("late-grocers", "lost-export"),
                        change(
                                "c1",
                                new Target.OfLine("restaurants"),
                                new Act.Scale(Percent.parse("88")),
                                HALF_A_YEAR,
                                "a poor summer on top"))));
    }

    private static Scenario scenario(String id, String name, String note, List<String> on, Change... changes) {
        return new Scenario(id, name, note, on, List.of(changes), false, id.equals(BREAKWATER), null);
    }

    private static Change change(String id, Target target, Act act, DayRange range, String note) {
        return new Change(id, target, act, range, note, true);
    }

    private static Change aYearLater(String id, String day) {
        return change(
                id,
                new Target.OfAssumption("boat-refit/items[" + day + "]/date"),
                new Act.Shift(12, Act.Shift.Unit.MONTHS),
                DayRange.ALWAYS,
                "");
    }
}
