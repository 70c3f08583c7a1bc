package ebbtide.formats.statement;

import ebbtide.formats.bank.BankRow;
import ebbtide.money.Money;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Currency;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/** The reading of camt.053 statements: ISO 20022 bank to customer statements, versions 02 and 08. */
final class CamtReader {
    private final List<DeclaredStatement> statements = new ArrayList<>();
    private final XmlElements xml;

    private CamtReader(byte[] file) {
        xml = new XmlElements(file);
    }

    static List<DeclaredStatement> read(byte[] file) {
        CamtReader reader = new CamtReader(file);
        reader.enter("Document");
        reader.enter("BkToCstmrStmt");
        while (reader.xml.enter()) {
            if (reader.xml.name().equals("Stmt")) {
                reader.statements.add(reader.statement());
            } else {
                reader.xml.skip();
            }
        }
        // What stands after the last statement must be whole too: a file that breaks off there was cut.
        while (reader.xml.enter()) {
            reader.xml.skip();
        }
        reader.xml.enter();
        return reader.statements;
    }

    private void enter(String name) {
        if (!xml.enter() || !xml.name().equals(name)) {
            throw Lines.fault(
                    xml.line(),
                    "a camt.053 statement begins with Document/BkToCstmrStmt, but '" + name + "' is missing here");
        }
    }

    private DeclaredStatement statement() {
        int line = xml.line();
        Element head = new Element("Stmt", line, java.util.Map.of(), "", new ArrayList<>());
        List<BankRow> rows = new ArrayList<>();
        int notBooked = 0;
        Currency currency = null;
        while (xml.enter()) {
            Element part = xml.whole();
            if (!part.name().equals("Ntry")) {
                head.children().add(part);
            } else {
                currency = currency == null ? currency(head) : currency;
                List<BankRow> entry = CamtEntry.rows(part, currency);
                rows.addAll(entry);
                notBooked += entry.isEmpty() ? 1 : 0;
            }
        }
        return Lines.at(line, declared(head, currency == null ? currency(head) : currency, rows, notBooked));
    }

    private static java.util.function.Supplier<DeclaredStatement> declared(
            Element head, Currency currency, List<BankRow> rows, int notBooked) {
        Element opening = balance(head, "opening", "OPBD", "PRCD", "ITBD");
        Element closing = balance(head, "closing", "CLBD", "ITBD");
        LocalDate to = day(closing.get("Dt"));
        LocalDate from = rows.stream()
                .map(BankRow::bookingDate)
                .min(LocalDate::compareTo)
                .orElse(to);
        String number = Stream.of(head.textAt("LglSeqNb"), head.textAt("ElctrncSeqNb"), head.textAt("Id"))
                .filter(one -> !one.isEmpty())
                .findFirst()
                .orElse("");
        String account = Stream.of(head.textAt("Acct", "Id", "IBAN"), head.textAt("Acct", "Id", "Othr", "Id"))
                .filter(one -> !one.isEmpty())
                .findFirst()
                .orElseThrow(() -> Lines.fault(head.line(), "the statement names no account (Acct/Id)"));
        return () -> new DeclaredStatement(
                account,
                number,
                currency,
                from,
                to,
                signed(opening, currency),
                signed(closing, currency),
                rows,
                notBooked);
    }

    private static Currency currency(Element head) {
        String code = head.textAt("Acct", "Ccy");
        Element balance = head.find("Bal", "Amt");
        String shown = code.isEmpty() && balance != null ? balance.attributes().getOrDefault("Ccy", "") : code;
        return Lines.at(head.line(), () -> Money.currency(shown));
    }

    /** Balances on pages between bear one code for both ends: the first opens the page, the last closes it. */
    private static Element balance(Element head, String which, String... codes) {
        for (String code : codes) {
            List<Element> found = head.all("Bal").stream()
                    .filter(one -> one.textAt("Tp", "CdOrPrtry", "Cd").equals(code))
                    .toList();
            if (!found.isEmpty()) {
                return found.get(which.equals("closing") ? found.size() - 1 : 0);
            }
        }
        throw Lines.fault(head.line(), "the statement has no " + which + " balance (" + codes[0] + ")");
    }

    /** Returns the amount of a balance, entry or detail, signed by whether it is a credit. */
    static long signed(Element of, Currency currency) {
        return credit(of) ? minor(of.get("Amt"), currency) : -minor(of.get("Amt"), currency);
    }

    static boolean credit(Element of) {
        Element indicator = of.get("CdtDbtInd");
        if (!Set.of("CRDT", "DBIT").contains(indicator.text())) {
            throw Lines.fault(indicator.line(), "CdtDbtInd is CRDT or DBIT, but was '" + indicator.text() + "'");
        }
        return indicator.text().equals("CRDT");
    }

    static long minor(Element amount, Currency currency) {
        String code = amount.attributes().getOrDefault("Ccy", "");
        if (!code.equals(currency.getCurrencyCode())) {
            throw Lines.fault(
                    amount.line(),
                    "the amount is in '" + code + "', but the account is in " + currency.getCurrencyCode());
        }
        if (!amount.text().matches("\\d{1,18}(\\.\\d{0,5})?")) {
            throw Lines.fault(amount.line(), "'" + amount.text() + "' is no amount such as 1250.50");
        }
        return Lines.at(amount.line(), () -> Money.minor(amount.text(), currency));
    }

    /** Returns the day of an element that has a date (Dt) or a date with time (DtTm). */
    static LocalDate day(Element of) {
        String text = of.textAt("Dt").isEmpty() ? of.textAt("DtTm") : of.textAt("Dt");
        if (!text.matches("\\d{4}-\\d\\d-\\d\\d([T+Z-].*)?")) {
            throw Lines.fault(of.line(), "'" + text + "' is no date such as 2026-03-31");
        }
        return Lines.day(
                of.line(),
                text,
                Integer.parseInt(text.substring(0, 4)),
                Integer.parseInt(text.substring(5, 7)),
                Integer.parseInt(text.substring(8, 10)));
    }
}
