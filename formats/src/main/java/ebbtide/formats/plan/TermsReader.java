package ebbtide.formats.plan;

import ebbtide.money.Percent;
import ebbtide.plan.DayTerms;
import ebbtide.plan.DaysTarget;
import ebbtide.plan.EarlyPayment;
import ebbtide.plan.MonthPattern;
import ebbtide.plan.Terms;
import ebbtide.time.Convention;
import java.util.List;

/** Reading of terms from the fields of a line or of shared terms; a null result has left its problems behind. */
record TermsReader(Convention usual) {

  Terms read(JsonPlace place) {
    MonthPattern pattern = pattern(place.at("pattern"));
    JsonPlace days = place.at("days");
    DayTerms byDays = days.isAbsent() ? null : dayTerms(days);
    JsonPlace level = place.at("target");
    DaysTarget target = level.isAbsent() ? null : level.make(() -> new DaysTarget(MethodReader.steps(level, JsonPlace::whole)));
    String shared = place.at("sharedTerms").textOr(null);
    Terms.By by = place.at("termsBy").oneOfOr(Terms.By.class, Terms.By.MONTHS);
    if (pattern == null || by == null || byDays == null && !days.isAbsent()) {
      return null;
    }
    if (by == Terms.By.DAYS && byDays == null) {
      days.problem("Missing: the days until it is paid");
      return null;
    }
    if (by == Terms.By.TARGET && target == null) {
      level.problem("Missing: the days that it stands at");
      return null;
    }
    return new Terms(by, pattern, byDays, target, shared);
  }

  private DayTerms dayTerms(JsonPlace place) {
    DayTerms.Due due = place.at("due").oneOf(DayTerms.Due.class);
    Integer days = place.at("days").whole();
    Integer late = place.at("late").wholeOr(0);
    Convention convention = place.at("convention").oneOfOr(Convention.class, usual);
    JsonPlace offer = place.at("early");
    EarlyPayment early = offer.isAbsent() ? null : early(offer);
    place.noOthers();
    return due == null || days == null || late == null || convention == null || early == null && !offer.isAbsent() ? null
        : place.make(() -> new DayTerms(due, days, late, convention, early));
  }

  private static EarlyPayment early(JsonPlace place) {
    Percent discount = place.at("discount").percent();
    Integer days = place.at("days").whole();
    Boolean taken = place.at("taken").flagOr(false);
    place.noOthers();
    return discount == null || days == null || taken == null ? null : place.make(() -> new EarlyPayment(discount, days, taken));
  }

  private MonthPattern pattern(JsonPlace place) {
    if (place.isAbsent()) {
      return MonthPattern.atOnce();
    }
    int count = place.at("steps").list(p -> p).size();
    List<MonthPattern.Step> steps = place.at("steps").list(this::patternStep);
    Percent never = place.at("never").percentOr(Percent.ZERO);
    Integer writeOffLag = place.at("writeOffLag").wholeOr(null);
    place.noOthers();
    // With a step unread the shares cannot add up: its own problem says enough.
    return never == null || steps.size() < count ? null
        : place.make(() -> new MonthPattern(steps, never, writeOffLag));
  }

  private MonthPattern.Step patternStep(JsonPlace place) {
    Percent share = place.at("share").percent();
    Integer lag = place.at("lag").wholeOr(0);
    Percent discount = place.at("discount").percentOr(Percent.ZERO);
    place.noOthers();
    return share == null || lag == null || discount == null ? null
        : place.make(() -> new MonthPattern.Step(share, lag, discount));
  }
}
