package ebbtide.formats.plan;

import ebbtide.plan.Assumption;
import ebbtide.plan.CapitalSpending;
import ebbtide.plan.Dividends;
import ebbtide.plan.Interest;
import ebbtide.plan.Pay;
import ebbtide.plan.ProfitTax;
import ebbtide.plan.Revolving;
import ebbtide.plan.SalesTaxSettlement;
import ebbtide.plan.TermDeposit;
import ebbtide.plan.TermLoan;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.stream.Collectors;
import tools.jackson.databind.node.ObjectNode;

/** A kind of line as a plan file has it: its word, and how it is read and written. */
record KindJson<A extends Assumption>(String word, Class<A> type, BiFunction<AssumptionReader, JsonPlace, Assumption> reader,
    BiFunction<AssumptionWriter, A, ObjectNode> writer) {
  /** The one list of them. */
  static final List<KindJson<?>> ALL = List.of(
      new KindJson<>("group", Assumption.Group.class, (read, place) -> new Assumption.Group(), (write, group) -> MethodWriter.kind("group")),
      new KindJson<>("stream", Assumption.Stream.class, AssumptionReader::stream, AssumptionWriter::stream),
      new KindJson<>("recurring", Assumption.Recurring.class, AssumptionReader::recurring, AssumptionWriter::recurring),
      new KindJson<>("items", Assumption.DatedItems.class, AssumptionReader::items, AssumptionWriter::items),
      new KindJson<>("sales-tax", SalesTaxSettlement.class, (read, place) -> read.settled().salesTax(place), (write, tax) -> write.settled().write(tax)),
      new KindJson<>("pay", Pay.class, (read, place) -> read.settled().pay(place), (write, pay) -> write.settled().write(pay)),
      new KindJson<>("profit-tax", ProfitTax.class, (read, place) -> read.settled().profitTax(place), (write, tax) -> write.settled().write(tax)),
      new KindJson<>("capital", CapitalSpending.class, (read, place) -> read.settled().capital(place), (write, spending) -> write.settled().write(spending)),
      new KindJson<>("dividends", Dividends.class, (read, place) -> read.settled().dividends(place), (write, dividends) -> write.settled().write(dividends)),
      new KindJson<>("revolving", Revolving.class, (read, place) -> read.funding().revolving(place), (write, facility) -> write.funding().write(facility)),
      new KindJson<>("loan", TermLoan.class, (read, place) -> read.funding().loan(place), (write, loan) -> write.funding().write(loan)),
      new KindJson<>("deposit", TermDeposit.class, (read, place) -> DepositJson.read(place, read.currency()), (write, deposit) -> DepositJson.write(deposit, write.currency())),
      new KindJson<>("interest", Interest.class, (read, place) -> read.funding().interest(place), (write, interest) -> write.funding().write(interest)));

  static KindJson<?> of(Assumption assumption) {
    return ALL.stream().filter(one -> one.type() == assumption.getClass()).findFirst().orElseThrow();
  }

  static Optional<KindJson<?>> find(String word) {
    return ALL.stream().filter(one -> one.word().equals(word)).findFirst();
  }

  /** Returns the words in a sentence: "group, stream or pay". */
  static String words() {
    String all = ALL.stream().map(KindJson::word).collect(Collectors.joining(", "));
    int last = all.lastIndexOf(", ");
    return all.substring(0, last) + " or " + all.substring(last + 2);
  }

  Assumption read(AssumptionReader reader, JsonPlace place) {
    return this.reader.apply(reader, place);
  }

  ObjectNode write(AssumptionWriter writer, Assumption assumption) {
    return this.writer.apply(writer, type.cast(assumption));
  }
}
