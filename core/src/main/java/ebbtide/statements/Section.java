package ebbtide.statements;

import ebbtide.plan.Line;
import ebbtide.plan.OpeningSheet.Kind;
import org.jspecify.annotations.Nullable;

/** Where the cash of a line stands in the cash flow statement. */
enum Section {
    OPERATING,
    INVESTING,
    FINANCING;

    /** Returns the section of a line, whose own account is of a kind. */
    static Section of(Line line, @Nullable Kind main) {
        return switch (line.standing().cash().part()) {
            case OPERATING -> OPERATING;
            case INVESTING -> INVESTING;
            case FINANCING -> FINANCING;
            case BY_NATURE ->
                switch (line.nature()) {
                    case OUTSIDE -> main == Kind.FIXED_ASSETS || main == Kind.OTHER_ASSETS ? INVESTING : FINANCING;
                    case DEPRECIATION -> INVESTING;
                    case SALES, OTHER_INCOME, COST_OF_SALES, OVERHEADS, PROVISION -> OPERATING;
                };
        };
    }
}
