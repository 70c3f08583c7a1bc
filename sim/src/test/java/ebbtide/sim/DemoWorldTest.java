package ebbtide.sim;

import static org.assertj.core.api.Assertions.assertThat;

import ebbtide.books.BankMovement;
import ebbtide.books.BankMovement.AssignedPart;
import ebbtide.formats.statement.DeclaredStatement;
import ebbtide.formats.statement.StatementFormat;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/**
 * The demo's bank and ledger are one world: what the one books is what the other says is paid, and what they issue adds
 * up.
 */
class DemoWorldTest {
    @Test
    void movements_ofTheLedgersEntries_areItsPaymentsToThePenny() {
        DemoWorld world = DemoWorld.get();
        Map<String, Long> settled = new HashMap<>();
        for (BankMovement movement : world.movements()) {
            for (AssignedPart part : movement.parts()) {
                if (part.itemId() != null) {
                    settled.merge(part.itemId(), Math.abs(part.minor()) + part.less(), Long::sum);
                }
            }
        }
        for (LedgerEntry entry : world.ledger()) {
            long early = entry.payments().stream()
                    .filter(paid -> paid.day().isBefore(DemoBank.FIRST_DAY))
                    .mapToLong(paid -> paid.minor() + paid.kept())
                    .sum();
            assertThat(settled.getOrDefault(DemoCompany.itemId(entry), 0L))
                    .as(entry.number())
                    .isEqualTo(entry.gross() - entry.openOn(DemoBank.LAST_DAY) - early);
        }
        assertThat(world.ledger())
                .anyMatch(entry -> entry.payments().size() == 2)
                .anyMatch(entry -> entry.payments().isEmpty())
                .anyMatch(entry -> entry.payments().stream().anyMatch(paid -> paid.kept() > 0))
                .anyMatch(entry -> entry.ordered() != null);
    }

    @Test
    void standIns_askedForDayAfterDay_issueStatementsThatFollowOnEachOther() throws Exception {
        Map<String, Long> closing = new HashMap<>();
        DemoCompany.accounts().forEach(account -> closing.put("0000-" + account.id(), account.balance()));
        try (StandIns standIns = StandIns.start()) {
            for (LocalDate day = DemoPlan.AS_OF; day.isBefore(DemoPlan.AS_OF.plusDays(21)); day = day.plusDays(1)) {
                List<String> issued = get(standIns, "/issued?after=" + day + "&upTo=" + day.plusDays(1), 200)
                        .lines()
                        .toList();
                assertThat(issued).hasSize(6);
                for (String path : issued.stream()
                        .filter(line -> line.startsWith("\t"))
                        .map(String::strip)
                        .toList()) {
                    byte[] file = get(standIns, path, 200).getBytes(StandardCharsets.UTF_8);
                    DeclaredStatement statement =
                            StatementFormat.find(file).orElseThrow().read(file).get(0);
                    long moved = statement.rows().stream()
                            .mapToLong(row -> row.minor())
                            .sum();
                    assertThat(statement.closing())
                            .as(path)
                            .isEqualTo(closing.put(statement.accountNumber(), statement.closing()) + moved);
                }
            }
            assertThat(get(standIns, "/issued?after=soon&upTo=later", 400)).startsWith("Say which days");
            assertThat(get(standIns, "/issued?after=2026-08-30&upTo=2026-09-06", 404))
                    .contains("from 2026-03-02 to 2026-08-30");
            assertThat(get(standIns, "/bank/unknown.xml?after=2026-03-01&upTo=2026-03-02", 404))
                    .contains("Nothing is issued");
        }
    }

    private static String get(StandIns standIns, String path, int status) throws IOException, InterruptedException {
        HttpResponse<String> answer = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(standIns.address() + path))
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
        assertThat(answer.statusCode()).isEqualTo(status);
        return answer.body();
    }
}
