package ebbtide.formats.bank;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** A movement read from a line of a bank's file, in signed minor units; {@code balance} is null where none stands. */
public record BankRow(
        int line,
        LocalDate bookingDate,
        LocalDate valueDate,
        long minor,
        String text,
        String counterparty,
        String reference,
        @Nullable Long balance) {}
