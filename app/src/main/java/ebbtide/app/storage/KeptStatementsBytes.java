package ebbtide.app.storage;

import ebbtide.formats.plan.PlanReader;
import ebbtide.formats.plan.PlanWriter;
import ebbtide.statements.KeptStatements;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Currency;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.InflaterInputStream;

/** The statements of a snapshot as a row keeps them: deflated JSON. */
final class KeptStatementsBytes {
    private KeptStatementsBytes() {}

    static byte[] of(KeptStatements statements, Currency currency) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (DeflaterOutputStream out = new DeflaterOutputStream(bytes)) {
            out.write(PlanWriter.json(statements, currency).toString().getBytes(StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    static KeptStatements read(byte[] bytes, Currency currency) {
        try (InflaterInputStream in = new InflaterInputStream(new ByteArrayInputStream(bytes))) {
            String json = new String(in.readAllBytes(), StandardCharsets.UTF_8);
            return PlanReader.keptStatements(PlanReader.parse(json), currency);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
