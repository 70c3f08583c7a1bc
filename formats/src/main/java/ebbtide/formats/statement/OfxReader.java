package ebbtide.formats.statement;

import ebbtide.formats.bank.BankRow;
import ebbtide.money.Money;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Currency;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/** The reading of OFX statements of bank and card accounts, versions 1 (SGML) and 2 (XML). */
final class OfxReader {
    private OfxReader() {}

    static List<DeclaredStatement> read(String text) {
        Element ofx = OfxElements.read(text);
        List<DeclaredStatement> statements = new ArrayList<>();
        for (Element set : ofx.children()) {
            for (Element answer : set.children()) {
                if (answer.name().equals("STMTTRNRS") || answer.name().equals("CCSTMTTRNRS")) {
                    requireDone(answer);
                    statements.add(statement(answer.get(answer.name().equals("STMTTRNRS") ? "STMTRS" : "CCSTMTRS")));
                }
            }
        }
        return statements;
    }

    private static void requireDone(Element answer) {
        String code = answer.textAt("STATUS", "CODE");
        if (!code.isEmpty() && !code.equals("0")) {
            throw Lines.fault(
                    answer.line(),
                    ("the bank answered with error " + code + " " + answer.textAt("STATUS", "MESSAGE")).strip()
                            + ": ask it for the statement again");
        }
    }

    private static DeclaredStatement statement(Element of) {
        Currency currency =
                Lines.at(of.line(), () -> Money.currency(of.get("CURDEF").text()));
        Element account = of.find("BANKACCTFROM") == null ? of.get("CCACCTFROM") : of.get("BANKACCTFROM");
        Element list = of.get("BANKTRANLIST");
        Element balance = of.get("LEDGERBAL");
        Set<String> ids = new HashSet<>();
        List<BankRow> rows = new ArrayList<>();
        for (Element entry : list.all("STMTTRN")) {
            if (!ids.add(entry.get("FITID").text())) {
                throw Lines.fault(
                        entry.line(), "the entry '" + entry.textAt("FITID") + "' stands in the statement twice");
            }
            rows.add(row(entry, currency));
        }
        LocalDate from = day(list.get("DTSTART"));
        LocalDate to = day(balance.get("DTASOF"));
        return Lines.at(
                of.line(),
                () -> new DeclaredStatement(
                        account.get("ACCTID").text(),
                        from + " to " + day(list.get("DTEND")),
                        currency,
                        from,
                        to,
                        null,
                        minor(balance.get("BALAMT"), currency),
                        rows,
                        0));
    }

    private static BankRow row(Element entry, Currency currency) {
        LocalDate booked = day(entry.get("DTPOSTED"));
        String name = entry.textAt("NAME").isEmpty() ? entry.textAt("PAYEE", "NAME") : entry.textAt("NAME");
        String text = Stream.of(entry.textAt("MEMO"), entry.textAt("MEMO").isEmpty() ? entry.textAt("TRNTYPE") : "")
                .filter(one -> !one.isEmpty())
                .findFirst()
                .orElse("");
        String reference = Stream.of(entry.textAt("REFNUM"), entry.textAt("CHECKNUM"), entry.textAt("FITID"))
                .filter(one -> !one.isEmpty())
                .findFirst()
                .orElse("");
        Element available = entry.find("DTAVAIL");
        LocalDate value = available == null ? booked : day(available);
        return new BankRow(
                entry.line(), booked, value, minor(entry.get("TRNAMT"), currency), text, name, reference, null);
    }

    private static long minor(Element amount, Currency currency) {
        if (!amount.text().matches("[+-]?\\d{1,15}([.,]\\d{0,3})?")) {
            throw Lines.fault(amount.line(), "'" + amount.text() + "' is no amount such as -1250.50");
        }
        return Lines.at(amount.line(), () -> Money.minor(amount.text().replace(',', '.'), currency));
    }

    private static LocalDate day(Element of) {
        if (!of.text().matches("\\d{8}.*")) {
            throw Lines.fault(of.line(), "'" + of.text() + "' is no date such as 20260331");
        }
        String text = of.text().substring(0, 8);
        return Lines.day(
                of.line(),
                text,
                Integer.parseInt(text.substring(0, 4)),
                Integer.parseInt(text.substring(4, 6)),
                Integer.parseInt(text.substring(6)));
    }
}
