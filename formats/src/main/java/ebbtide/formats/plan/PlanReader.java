package ebbtide.formats.plan;

import ebbtide.books.Account;
import ebbtide.books.AssignRule;
import ebbtide.books.BankMovement;
import ebbtide.books.OpenItem;
import ebbtide.money.Money;
import ebbtide.money.Percent;
import ebbtide.plan.AgreedCovenants;
import ebbtide.plan.AmountSteps;
import ebbtide.plan.Assumption;
import ebbtide.plan.Buoy;
import ebbtide.plan.CarriedAmount;
import ebbtide.plan.CashPolicy;
import ebbtide.plan.Certainty;
import ebbtide.plan.CountedCertainties;
import ebbtide.plan.Direction;
import ebbtide.plan.Facility;
import ebbtide.plan.FundingRules;
import ebbtide.plan.Line;
import ebbtide.plan.LongRange;
import ebbtide.plan.NamedTerms;
import ebbtide.plan.OpeningSheet;
import ebbtide.plan.Nature;
import ebbtide.plan.Netting;
import ebbtide.plan.PaymentRuns;
import ebbtide.plan.Plan;
import ebbtide.plan.PlanCalendar;
import ebbtide.plan.PlanCheck;
import ebbtide.plan.PlanProblem;
import ebbtide.plan.References;
import ebbtide.plan.Reporting;
import ebbtide.plan.SaidHabit;
import ebbtide.plan.Settings;
import ebbtide.plan.Threshold;
import ebbtide.plan.SourceDocument;
import ebbtide.plan.Steps;
import ebbtide.plan.Terms;
import ebbtide.time.Convention;
import ebbtide.time.Period;
import java.io.InputStream;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.Month;
import java.util.ArrayList;
import java.util.Currency;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import tools.jackson.core.JacksonException;
import tools.jackson.core.exc.UnexpectedEndOfInputException;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Reading of a plan file, or of a part of a plan: the whole result, or every problem with its place. */
public final class PlanReader {
  static final JsonMapper MAPPER = JsonMapper.builder().enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS)
      .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION).build();

  /** Stands in for a currency that could not be read, so that amounts are still looked at. */
  private static final Currency MOST_DECIMALS = Currency.getInstance("KWD");

  private PlanReader() {}

  /** Returns the document of a plan file; refuses a broken one with {@link BrokenPlan}. */
  public static PlanDocument read(InputStream in) {
    return whole(tree(() -> MAPPER.readTree(in)), PlanReader::document);
  }

  /** Returns the settings of a JSON object; refuses broken ones with {@link BrokenPlan}. */
  public static Settings settings(JsonNode json) {
    return whole(json, PlanReader::settings);
  }

  /** Returns the line of a JSON object in a currency; refuses a broken one with {@link BrokenPlan}. */
  public static Line line(JsonNode json, Currency currency) {
    return whole(json, place -> line(place, currency));
  }

  /** Returns the buoy of a JSON object; refuses a broken one with {@link BrokenPlan}. */
  public static Buoy buoy(JsonNode json) {
    return whole(json, PlanReader::buoy);
  }

  /** Returns the account of a JSON object in a currency; refuses a broken one with {@link BrokenPlan}. */
  public static Account account(JsonNode json, Currency currency) {
    return whole(json, place -> account(place, currency));
  }

  /** Returns JSON text as a tree; refuses text that is no JSON with {@link BrokenPlan}. */
  public static JsonNode parse(String json) {
    return tree(() -> MAPPER.readTree(json));
  }

  private static JsonNode tree(java.util.function.Supplier<JsonNode> reader) {
    try {
      JsonNode read = reader.get();
      if (read == null || read.isMissingNode()) {
        throw new BrokenPlan(List.of(new PlanProblem("/", "There is nothing in it")));
      }
      return read;
    } catch (UnexpectedEndOfInputException e) {
      throw new BrokenPlan(List.of(new PlanProblem("line " + e.getLocation().getLineNr(), "This is no JSON: it ends in the middle, as a file does that was cut off")));
    } catch (JacksonException e) {
      String place = e.getLocation() == null ? "/"
          : "line " + e.getLocation().getLineNr() + ", column " + e.getLocation().getColumnNr();
      throw new BrokenPlan(List.of(new PlanProblem(place, "This is no JSON: " + e.getOriginalMessage())));
    }
  }

  private static <T> T whole(JsonNode json, Function<JsonPlace, T> reader) {
    List<PlanProblem> problems = new ArrayList<>();
    T found = reader.apply(new JsonPlace(json, "", problems));
    if (!problems.isEmpty()) {
      throw new BrokenPlan(problems);
    }
    return found;
  }

  private static PlanDocument document(JsonPlace root) {
    if (!"ebbtide-plan".equals(root.at("format").text())) {
      root.at("format").problem("A plan file says \"format\": \"ebbtide-plan\"");
    }
    Integer version = root.at("version").whole();
    if (version != null && version != PlanWriter.VERSION) {
      root.at("version").problem("This program reads version " + PlanWriter.VERSION + " of the format, but was " + version);
    }
    Settings settings = settings(root.at("settings"));
    Currency currency = settings == null ? MOST_DECIMALS : settings.currency();
    List<Account> accounts = root.at("accounts").list(p -> account(p, currency));
    // Unreadable lines leave gaps; what only shows between lines is checked when all are there, so that places are true.
    int before = root.problemCount();
    List<Line> lines = root.at("lines").list(p -> line(p, currency));
    boolean allLines = root.problemCount() == before;
    List<Buoy> buoys = root.at("buoys").list(PlanReader::buoy);
    List<AssignRule> rules = root.at("rules").list(p -> rule(p, currency));
    List<BankMovement> movements = root.at("movements").list(p -> movement(p, currency));
    List<OpenItem> items = root.at("items").list(p -> ItemJson.read(p, currency));
    root.noOthers();
    if (settings == null) {
      return null;
    }
    Plan plan = new Plan(settings, lines, buoys);
    if (allLines) {
      PlanCheck.problems(plan).forEach(root::problemAt);
    }
    checkReferences(root, accounts, lines, movements);
    checkItems(root, lines, items);
    return new PlanDocument(plan, accounts, rules, movements, items);
  }

  private static void checkItems(JsonPlace root, List<Line> lines, List<OpenItem> items) {
    Set<String> lineIds = new HashSet<>();
    lines.stream().filter(line -> !line.isGroup()).forEach(line -> lineIds.add(line.id()));
    Set<String> seen = new HashSet<>();
    for (int i = 0; i < items.size(); i++) {
      OpenItem item = items.get(i);
      if (!lineIds.contains(item.lineId())) {
        root.problemAt(new PlanProblem("/items/" + i + "/line", "The line '" + item.lineId() + "' is not in the file, or is a group"));
      }
      if (!seen.add(item.id())) {
        root.problemAt(new PlanProblem("/items/" + i + "/id", "The id '" + item.id() + "' is used by two items: give one of them another"));
      }
    }
  }

  private static void checkReferences(JsonPlace root, List<Account> accounts, List<Line> lines,
      List<BankMovement> movements) {
    Set<String> accountIds = new HashSet<>();
    accounts.forEach(account -> accountIds.add(account.id()));
    Set<String> lineIds = new HashSet<>();
    lines.forEach(line -> lineIds.add(line.id()));
    lines.stream().filter(line -> line.account() != null && !accountIds.contains(line.account()))
        .forEach(line -> root.at("lines").problem("'" + line.name() + "' is paid through an account that is not in the "
            + "file ('" + line.account() + "')"));
    for (int i = 0; i < movements.size(); i++) {
      int at = i;
      if (!accountIds.contains(movements.get(i).account())) {
        root.problemAt(new PlanProblem("/movements/" + at + "/account",
            "The account '" + movements.get(i).account() + "' is not in the file"));
      }
      movements.get(i).parts().stream().filter(part -> !part.isTransfer() && !lineIds.contains(part.lineId()))
          .forEach(part -> root.problemAt(new PlanProblem("/movements/" + at + "/parts",
              "The line '" + part.lineId() + "' is not in the file")));
    }
  }

  private static Threshold explained(JsonPlace place, Currency currency) {
    if (place.isAbsent()) {
      return null;
    }
    Long amount = place.at("amount").isAbsent() ? Long.valueOf(0) : place.at("amount").amount(currency);
    Percent share = place.at("share").percentOr(Percent.ZERO);
    place.noOthers();
    return amount == null || share == null ? null : place.make(() -> new Threshold(amount, share));
  }

  private static Settings settings(JsonPlace place) {
    if (place.isAbsent()) {
      place.problem("Missing: the settings of the plan");
      return null;
    }
    String name = place.at("name").filled();
    String code = place.at("currency").text();
    Currency currency = code == null ? null : place.at("currency").make(() -> Money.currency(code));
    LocalDate asOf = place.at("asOf").date();
    DayOfWeek firstDay = place.at("firstDayOfWeek").oneOfOr(DayOfWeek.class, DayOfWeek.MONDAY);
    Month firstMonth = place.at("firstFiscalMonth").oneOfOr(Month.class, Month.JANUARY);
    Integer horizon = place.at("horizonMonths").wholeIn(1, 72, Settings.DEFAULT_HORIZON_MONTHS);
    AmountSteps amountSteps = place.at("amountSteps").oneOfOr(AmountSteps.class, AmountSteps.FIRST_DAY);
    Steps<Long> minimum = new AssumptionReader(currency == null ? MOST_DECIMALS : currency, null).amounts(place.at("minimumCash"));
    Facility facility = facility(place.at("facility"), currency == null ? MOST_DECIMALS : currency);
    Set<Certainty> receipts = certainties(place.at("countedReceipts"), EnumSet.of(Certainty.CERTAIN, Certainty.LIKELY));
    Set<Certainty> payments = certainties(place.at("countedPayments"), EnumSet.allOf(Certainty.class));
    Steps<Percent> cashRate = MethodReader.steps(place.at("cashRate"), JsonPlace::percent);
    List<NamedTerms> terms = place.at("terms").list(PlanReader::namedTerms);
    List<SourceDocument> documents = place.at("documents").list(PlanReader::sourceDocument);
    PaymentRuns runs = paymentRuns(place.at("paymentRuns"));
    List<SaidHabit> habits = place.at("habits").list(PlanReader::saidHabit);
    Integer closedAfter = place.at("closedAfter").wholeIn(0, 60, 0);
    FundingRules funding = FundingReader.rules(place.at("funding"), currency == null ? MOST_DECIMALS : currency);
    CovenantsJson covenants = CovenantsJson.read(place, currency == null ? MOST_DECIMALS : currency);
    OpeningSheet opening = OpeningJson.read(place.at("openingSheet"), currency == null ? MOST_DECIMALS : currency);
    Threshold explained = explained(place.at("explained"), currency == null ? MOST_DECIMALS : currency);
    LongRange longRange = LongRangeJson.read(place.at("longRange"), currency == null ? MOST_DECIMALS : currency);
    place.noOthers();
    if (name == null || currency == null || asOf == null || firstDay == null || firstMonth == null || horizon == null
        || amountSteps == null || closedAfter == null || funding == null) {
      return null;
    }
    return place.make(() -> new Settings(name, currency, new PlanCalendar(asOf, firstDay, firstMonth, horizon, amountSteps, closedAfter),
        new CashPolicy(minimum, facility, cashRate, funding, runs), new CountedCertainties(receipts, payments), new References(terms, documents, habits),
        new AgreedCovenants(covenants.covenants(), covenants.pastMonths()), new Reporting(opening, longRange, explained)));
  }

  private static SaidHabit saidHabit(JsonPlace place) {
    Direction direction = place.at("direction").oneOf(Direction.class);
    String counterparty = place.at("counterparty").filled();
    Integer days = place.at("days").wholeIn(-366, 732, null);
    place.noOthers();
    return direction == null || counterparty == null || days == null ? null : place.make(() -> new SaidHabit(direction, counterparty, days));
  }

  private static PaymentRuns paymentRuns(JsonPlace place) {
    if (place.isAbsent()) {
      return null;
    }
    PaymentRuns.When when = place.at("when").oneOf(PaymentRuns.When.class);
    DayOfWeek weekday = place.at("weekday").oneOfOr(DayOfWeek.class, DayOfWeek.FRIDAY);
    List<Integer> days = place.at("days").list(day -> day.wholeIn(1, 31, null));
    Integer stretch = place.at("stretch").wholeIn(0, 120, 0);
    PaymentRuns.Takes takes = place.at("takes").oneOfOr(PaymentRuns.Takes.class, PaymentRuns.Takes.ON_OR_AFTER);
    place.noOthers();
    return when == null || weekday == null || stretch == null || takes == null ? null
        : place.make(() -> new PaymentRuns(when, weekday, days, stretch, takes));
  }

  private static SourceDocument sourceDocument(JsonPlace place) {
    String name = place.at("name").filled();
    Boolean seen = place.at("seen").flagOr(false);
    place.noOthers();
    return name == null || seen == null ? null : place.make(() -> new SourceDocument(name, seen));
  }

  private static NamedTerms namedTerms(JsonPlace place) {
    String id = place.at("id").filled();
    String name = place.at("name").filled();
    Terms terms = new TermsReader(Convention.FOLLOWING).read(place);
    place.noOthers();
    return id == null || name == null || terms == null ? null : place.make(() -> new NamedTerms(id, name, terms));
  }

  private static Facility facility(JsonPlace place, Currency currency) {
    if (place.isAbsent()) {
      return null;
    }
    String name = place.at("name").filled();
    Steps<Long> limit = new AssumptionReader(currency, null).amounts(place.at("limit"));
    Steps<Percent> rate = MethodReader.steps(place.at("rate"), JsonPlace::percent);
    place.noOthers();
    return name == null ? null : place.make(() -> new Facility(name, limit, rate));
  }

  private static Set<Certainty> certainties(JsonPlace place, Set<Certainty> otherwise) {
    return place.isAbsent() ? otherwise : new HashSet<>(place.list(p -> p.oneOf(Certainty.class)));
  }

  private static Account account(JsonPlace place, Currency currency) {
    String id = place.at("id").filled();
    String name = place.at("name").filled();
    String country = place.at("country").textOr("--");
    Boolean restricted = place.at("restricted").flagOr(false);
    LocalDate date = place.at("balanceDate").date();
    Long balance = place.at("balance").amount(currency);
    place.noOthers();
    if (id == null || name == null || country == null || restricted == null || date == null || balance == null) {
      return null;
    }
    return place.make(() -> new Account(id, name, country, restricted, date, balance));
  }

  private static Line line(JsonPlace place, Currency currency) {
    String id = place.at("id").filled();
    String group = place.at("group").textOr(null);
    String name = place.at("name").filled();
    Direction direction = place.at("direction").oneOf(Direction.class);
    Boolean active = place.at("active").flagOr(true);
    String account = place.at("account").textOr(null);
    String note = place.at("note").textOr("");
    Convention usual = direction == Direction.PAYMENT ? Convention.PRECEDING : Convention.FOLLOWING;
    Assumption assumption = new AssumptionReader(currency, usual).read(place.at("assumption"));
    List<Line.CashOverride> overrides = place.at("overrides").list(p -> override(p, currency));
    List<CarriedAmount> carried = place.at("carried").list(p -> carried(p, currency));
    Netting netting = NettingJson.read(place.at("netting"));
    JsonPlace standing = place.at("nature");
    Nature nature = standing.isAbsent() ? null : standing.oneOf(Nature.class);
    place.noOthers();
    if (nature == null && !standing.isAbsent()) {
      return null;
    }
    if (id == null || name == null || direction == null || active == null || assumption == null || netting == null) {
      return null;
    }
    return place.make(() -> new Line(id, new Line.Heading(group, name, direction, active, account, note), assumption,
        nature == null ? assumption.usualNature(direction) : nature, new Line.Adjustments(overrides, carried, netting)));
  }

  private static CarriedAmount carried(JsonPlace place, Currency currency) {
    String id = place.at("id").filled();
    LocalDate day = place.at("day").date();
    Long amount = place.at("amount").amount(currency);
    String origin = place.at("origin").filled();
    place.noOthers();
    return id == null || day == null || amount == null || origin == null ? null : place.make(() -> new CarriedAmount(id, day, amount, origin));
  }

  private static Line.CashOverride override(JsonPlace place, Currency currency) {
    Period period = period(place);
    Long amount = place.at("amount").amount(currency);
    String reason = place.at("reason").filled();
    place.noOthers();
    return period == null || amount == null || reason == null ? null
        : place.make(() -> new Line.CashOverride(period, amount, reason));
  }

  /** A period is written with its first and last day, both included. */
  private static Period period(JsonPlace place) {
    LocalDate from = place.at("from").date();
    LocalDate to = place.at("to").date();
    return from == null || to == null ? null : place.make(() -> new Period(from, to.plusDays(1)));
  }

  private static Buoy buoy(JsonPlace place) {
    String id = place.at("id").filled();
    String row = place.at("row").filled();
    Period period = period(place);
    String note = place.at("note").filled();
    place.noOthers();
    return id == null || row == null || period == null || note == null ? null
        : place.make(() -> new Buoy(id, row, period, note));
  }

  /** Returns the rule of a JSON object in a currency; refuses a broken one with {@link BrokenPlan}. */
  public static AssignRule rule(JsonNode json, Currency currency) {
    return whole(json, place -> rule(place, currency));
  }

  private static AssignRule rule(JsonPlace place, Currency currency) {
    String id = place.at("id").filled();
    String text = place.at("text").textOr("");
    String counterparty = place.at("counterparty").textOr("");
    String account = place.at("account").textOr(null);
    Direction direction = place.at("direction").oneOf(Direction.class);
    Long least = place.at("least").isAbsent() ? null : place.at("least").amount(currency);
    Long most = place.at("most").isAbsent() ? null : place.at("most").amount(currency);
    String line = place.at("line").textOr(null);
    place.noOthers();
    return id == null || direction == null ? null : place.make(() ->
        new AssignRule(id, text, counterparty, account, direction.sign(), least, most, line));
  }

  /** Returns the open item of a JSON object in a currency; refuses a broken one with {@link BrokenPlan}. */
  public static OpenItem item(JsonNode json, Currency currency) {
    return whole(json, place -> ItemJson.read(place, currency));
  }

  private static BankMovement movement(JsonPlace place, Currency currency) {
    String account = place.at("account").filled();
    LocalDate day = place.at("bookingDate").date();
    LocalDate value = place.at("valueDate").dateOr(day);
    Long amount = place.at("amount").amount(currency);
    String text = place.at("text").textOr("");
    String counterparty = place.at("counterparty").textOr("");
    String reference = place.at("reference").textOr("");
    List<BankMovement.AssignedPart> parts = place.at("parts").list(p -> {
      String line = p.at("line").textOr(null);
      Long minor = p.at("amount").amount(currency);
      String item = p.at("item").textOr(null);
      Long less = p.at("less").isAbsent() ? Long.valueOf(0) : p.at("less").amount(currency);
      p.noOthers();
      return minor == null || less == null ? null : p.make(() -> new BankMovement.AssignedPart(line, minor, item, less));
    });
    place.noOthers();
    return account == null || day == null || amount == null ? null : place.make(() ->
        new BankMovement(account, day, value, amount, text, counterparty, reference, parts));
  }
}
