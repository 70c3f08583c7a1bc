package ebbtide.formats.statement;

import static java.util.Objects.requireNonNull;

import ebbtide.formats.bank.BankRow;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Currency;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * An entry of a camt.053 statement on its way to movements: one, or, of a batch whose details have amounts that add up
 * to it, one for each of its parts, so that each can be settled by itself.
 */
final class CamtEntry {
    private final Element entry;
    private final Currency currency;
    private final LocalDate booked;
    private final LocalDate value;
    private final boolean reversal;

    private CamtEntry(Element entry, Currency currency) {
        this.entry = entry;
        this.currency = currency;
        this.booked = CamtReader.day(entry.get("BookgDt"));
        Element valued = entry.find("ValDt");
        this.value = valued == null ? booked : CamtReader.day(valued);
        this.reversal = entry.textAt("RvslInd").equals("true");
    }

    /** Returns the movements of an entry, none if it is pending or for information only. */
    static List<BankRow> rows(Element entry, Currency currency) {
        String status = entry.textAt("Sts", "Cd").isEmpty() ? entry.textAt("Sts") : entry.textAt("Sts", "Cd");
        if (!status.isEmpty() && !status.equals("BOOK")) {
            return List.of();
        }
        return new CamtEntry(entry, currency).rows();
    }

    private List<BankRow> rows() {
        long whole = CamtReader.signed(entry, currency);
        List<Element> details = entry.all("NtryDtls").stream()
                .flatMap(one -> one.all("TxDtls").stream())
                .toList();
        if (details.size() > 1 && details.stream().allMatch(detail -> amountOf(detail) != null)) {
            List<BankRow> parts = new ArrayList<>();
            for (Element detail : details) {
                String place = "part " + (parts.size() + 1) + " of " + details.size() + batch();
                parts.add(row(detail, signed(detail), place));
            }
            if (parts.stream().mapToLong(BankRow::minor).sum() == whole) {
                return parts;
            }
        }
        return List.of(row(
                details.size() == 1 ? details.get(0) : entry,
                whole,
                details.size() > 1 ? details.size() + " payments" + batch() : ""));
    }

    private String batch() {
        return Stream.of(
                        entry.textAt("NtryDtls", "Btch", "PmtInfId"),
                        entry.textAt("NtryDtls", "Btch", "MsgId"),
                        entry.textAt("AcctSvcrRef"))
                .filter(one -> !one.isEmpty())
                .findFirst()
                .map(id -> " of batch " + id)
                .orElse("");
    }

    /** Version 08 gives a detail's amount itself, version 02 as the amount of the transaction. */
    private static @Nullable Element amountOf(Element detail) {
        Element own = detail.find("Amt");
        return own == null ? detail.find("AmtDtls", "TxAmt", "Amt") : own;
    }

    private long signed(Element detail) {
        boolean credit = detail.find("CdtDbtInd") == null ? CamtReader.credit(entry) : CamtReader.credit(detail);
        long minor = CamtReader.minor(requireNonNull(amountOf(detail), "the amount of a detail"), currency);
        return credit ? minor : -minor;
    }

    private BankRow row(Element detail, long minor, String place) {
        boolean returned = detail.find("RtrInf") != null;
        String said = returned
                ? ("returned " + detail.textAt("RtrInf", "Rsn", "Cd") + " " + detail.textAt("RtrInf", "AddtlInf"))
                        .strip()
                : "";
        String text = Stream.of(
                        remittance(detail),
                        detail.textAt("AddtlTxInf"),
                        entry.textAt("AddtlNtryInf"),
                        said,
                        reversal ? "reversal" : "",
                        place)
                .filter(Predicate.not(String::isEmpty))
                .distinct()
                .collect(Collectors.joining(" "));
        return new BankRow(
                entry.line(),
                booked,
                value,
                minor,
                text,
                counterparty(detail, minor > 0 != (reversal || returned)),
                reference(detail),
                null);
    }

    private static String remittance(Element detail) {
        Element info = detail.find("RmtInf");
        return info == null
                ? ""
                : info.all("Ustrd").stream()
                        .map(Element::text)
                        .filter(Predicate.not(String::isEmpty))
                        .collect(Collectors.joining(" "));
    }

    /** Who paid us, or whom we paid; what comes back keeps the parties of the payment that it takes back. */
    private static String counterparty(Element detail, boolean theyPay) {
        Stream<String> payer =
                Stream.of(detail.textAt("RltdPties", "Dbtr", "Pty", "Nm"), detail.textAt("RltdPties", "Dbtr", "Nm"));
        Stream<String> payee =
                Stream.of(detail.textAt("RltdPties", "Cdtr", "Pty", "Nm"), detail.textAt("RltdPties", "Cdtr", "Nm"));
        return (theyPay ? payer : payee)
                .filter(Predicate.not(String::isEmpty))
                .findFirst()
                .orElse("");
    }

    private String reference(Element detail) {
        return Stream.of(
                        detail.textAt("RmtInf", "Strd", "CdtrRefInf", "Ref"),
                        detail.textAt("Refs", "EndToEndId"),
                        detail.textAt("Refs", "InstrId"),
                        detail.textAt("Refs", "AcctSvcrRef"),
                        entry.textAt("NtryRef"),
                        entry.textAt("AcctSvcrRef"))
                .filter(one -> !one.isEmpty() && !one.equals("NOTPROVIDED"))
                .findFirst()
                .orElse("");
    }
}
