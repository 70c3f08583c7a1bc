package ebbtide.sim;

import ebbtide.books.BankMovement;
import ebbtide.money.Money;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Currency;
import java.util.List;
import java.util.stream.Collectors;

/**
 * A statement as the stand-in for a bank issues it: the account's number, the statement's own, its days, the balance
 * before its first movement in minor units, and its movements. It writes itself in each of the standard formats.
 */
public record IssuedStatement(
        String accountNumber,
        int number,
        Currency currency,
        LocalDate from,
        LocalDate to,
        long opening,
        List<BankMovement> movements) {
    private static final DateTimeFormatter SHORT = DateTimeFormatter.ofPattern("yyMMdd");
    private static final DateTimeFormatter BARE = DateTimeFormatter.BASIC_ISO_DATE;

    public IssuedStatement {
        movements = List.copyOf(movements);
    }

    /** Returns the balance after the last movement, in minor units. */
    public long closing() {
        return opening + movements.stream().mapToLong(BankMovement::minor).sum();
    }

    /** Returns the statement as a camt.053 document of version 08. */
    public String camt() {
        return """
        <?xml version="1.0" encoding="UTF-8"?>
        <Document xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.08">
          <BkToCstmrStmt>
            <GrpHdr><MsgId>%1$s-%2$d</MsgId><CreDtTm>%3$sT23:00:00</CreDtTm></GrpHdr>
            <Stmt>
              <Id>%1$s-%2$d</Id><LglSeqNb>%2$d</LglSeqNb><CreDtTm>%3$sT23:00:00</CreDtTm>
              <Acct><Id><Othr><Id>%1$s</Id></Othr></Id><Ccy>%4$s</Ccy></Acct>
              %5$s
              %6$s
        %7$s    </Stmt>
          </BkToCstmrStmt>
        </Document>
        """.formatted(
                        accountNumber,
                        number,
                        to,
                        currency.getCurrencyCode(),
                        camtBalance("OPBD", opening, from),
                        camtBalance("CLBD", closing(), to),
                        movements.stream().map(this::camtEntry).collect(Collectors.joining()));
    }

    private String camtBalance(String code, long minor, LocalDate day) {
        return "<Bal><Tp><CdOrPrtry><Cd>" + code + "</Cd></CdOrPrtry></Tp>" + camtAmount(minor) + "<Dt><Dt>" + day
                + "</Dt></Dt></Bal>";
    }

    private String camtAmount(long minor) {
        return "<Amt Ccy=\"" + currency.getCurrencyCode() + "\">" + size(minor) + "</Amt><CdtDbtInd>"
                + (minor < 0 ? "DBIT" : "CRDT") + "</CdtDbtInd>";
    }

    private String camtEntry(BankMovement m) {
        String side = m.minor() > 0 ? "Dbtr" : "Cdtr";
        String party = m.counterparty().isEmpty()
                ? ""
                : "<RltdPties><" + side + "><Pty><Nm>" + xml(m.counterparty()) + "</Nm></Pty></" + side
                        + "></RltdPties>";
        String end = m.reference().isEmpty() ? "NOTPROVIDED" : xml(m.reference());
        return """
              <Ntry>
                %s<Sts><Cd>BOOK</Cd></Sts>
                <BookgDt><Dt>%s</Dt></BookgDt><ValDt><Dt>%s</Dt></ValDt>
                <NtryDtls><TxDtls><Refs><EndToEndId>%s</EndToEndId></Refs>%s<RmtInf><Ustrd>%s</Ustrd></RmtInf></TxDtls></NtryDtls>
              </Ntry>
        """.formatted(camtAmount(m.minor()), m.bookingDate(), m.valueDate(), end, party, xml(m.text()));
    }

    /** Returns the statement as an MT940 message. */
    public String mt940() {
        StringBuilder text = new StringBuilder("{1:F01MADEUPXXAXXX0000000000}{2:I940MADEUPXXXXXXN}{4:\n");
        text.append(":20:")
                .append(BARE.format(to))
                .append("\n:25:")
                .append(accountNumber)
                .append("\n:28C:")
                .append(number)
                .append('\n');
        text.append(":60F:").append(mt940Balance(opening, from)).append('\n');
        for (BankMovement m : movements) {
            text.append(":61:")
                    .append(SHORT.format(m.valueDate()))
                    .append(m.bookingDate().toString(), 5, 7)
                    .append(m.bookingDate().toString(), 8, 10)
                    .append(m.minor() < 0 ? 'D' : 'C')
                    .append(comma(m.minor()))
                    .append("NTRF")
                    .append(
                            m.reference().isEmpty()
                                    ? "NONREF"
                                    : m.reference()
                                            .substring(
                                                    0,
                                                    Math.min(16, m.reference().length())))
                    .append('\n');
            text.append(":86:999?00")
                    .append(m.text())
                    .append("?32")
                    .append(m.counterparty())
                    .append('\n');
        }
        return text.append(":62F:")
                .append(mt940Balance(closing(), to))
                .append("\n-}\n")
                .toString();
    }

    private String mt940Balance(long minor, LocalDate day) {
        return (minor < 0 ? "D" : "C") + SHORT.format(day) + currency.getCurrencyCode() + comma(minor);
    }

    /** Returns the statement as an OFX document of version 2. */
    public String ofx() {
        String entries = movements.isEmpty()
                ? ""
                : java.util.stream.IntStream.range(0, movements.size())
                        .mapToObj(this::ofxEntry)
                        .collect(Collectors.joining());
        return """
        <?xml version="1.0" encoding="UTF-8" standalone="no"?>
        <?OFX OFXHEADER="200" VERSION="211" SECURITY="NONE" OLDFILEUID="NONE" NEWFILEUID="NONE"?>
        <OFX><BANKMSGSRSV1><STMTTRNRS><TRNUID>%1$d</TRNUID><STATUS><CODE>0</CODE><SEVERITY>INFO</SEVERITY></STATUS><STMTRS>
        <CURDEF>%2$s</CURDEF><BANKACCTFROM><BANKID>000000</BANKID><ACCTID>%3$s</ACCTID><ACCTTYPE>CHECKING</ACCTTYPE></BANKACCTFROM>
        <BANKTRANLIST><DTSTART>%4$s</DTSTART><DTEND>%5$s</DTEND>
        %6$s</BANKTRANLIST>
        <LEDGERBAL><BALAMT>%7$s</BALAMT><DTASOF>%5$s</DTASOF></LEDGERBAL>
        </STMTRS></STMTTRNRS></BANKMSGSRSV1></OFX>
        """.formatted(
                        number,
                        currency.getCurrencyCode(),
                        accountNumber,
                        BARE.format(from),
                        BARE.format(to),
                        entries,
                        Money.plain(closing(), currency));
    }

    private String ofxEntry(int at) {
        BankMovement m = movements.get(at);
        String reference = m.reference().isEmpty() ? "" : "<REFNUM>" + xml(m.reference()) + "</REFNUM>";
        return "<STMTTRN><TRNTYPE>" + (m.minor() < 0 ? "DEBIT" : "CREDIT") + "</TRNTYPE><DTPOSTED>"
                + BARE.format(m.bookingDate()) + "</DTPOSTED><TRNAMT>"
                + Money.plain(m.minor(), currency) + "</TRNAMT><FITID>" + BARE.format(to) + "-" + number + "-" + at
                + "</FITID>" + reference + "<NAME>"
                + xml(m.counterparty()) + "</NAME><MEMO>" + xml(m.text()) + "</MEMO></STMTTRN>\n";
    }

    /** SWIFT writes the decimal comma even where no decimals follow. */
    private String comma(long minor) {
        String size = size(minor).replace('.', ',');
        return size.contains(",") ? size : size + ",";
    }

    private String size(long minor) {
        return Money.plain(Math.abs(minor), currency);
    }

    private static String xml(String text) {
        return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
    }
}
