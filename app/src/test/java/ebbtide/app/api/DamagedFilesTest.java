package ebbtide.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import ebbtide.Asked;
import ebbtide.app.Ebbtide;
import ebbtide.app.desk.WholePlans;
import ebbtide.sim.DemoCompany;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Files of every kind that are taken, damaged in every way: each is taken or refused in words, and never a fault of the
 * program; those of banks are brought in too, as far as they go. In an application of its own, where so many files push
 * out nobody else's.
 */
@SpringBootTest(
        classes = Ebbtide.class,
        properties = {
            "spring.datasource.url=jdbc:h2:mem:damaged;DB_CLOSE_DELAY=-1",
            "spring.datasource.hikari.maximum-pool-size=4"
        })
@AutoConfigureMockMvc
class DamagedFilesTest {
    private static final int FILES = Asked.of(5_000);
    private static final JsonMapper JSON = new JsonMapper();
    /** What is put in where it does not belong. */
    private static final List<String> FOREIGN = List.of(
            "1e1000000000",
            " ".repeat(5_000),
            "\u0000",
            "\"",
            "<",
            "&#0;",
            "]]>",
            ":61:",
            "9".repeat(40),
            "-0",
            "\u202e\ud83d",
            "\n\n",
            ",,,,,,",
            "2026-02-30",
            "{\"a\":[");

    @Autowired
    private MockMvc mvc;

    @Autowired
    private WholePlans whole;

    private final List<String> faults = new ArrayList<>();

    /** Where a file is sent; {@code %s} stands for the plan. */
    private record Sample(String name, byte[] bytes, List<String> to) {}

    private static List<Sample> samples() throws IOException {
        List<Sample> all = new ArrayList<>();
        for (String kind :
                List.of("current-account-2026-03-08.xml", "shop-takings-2026-03-08.sta", "reserve-2026-03-08.ofx")) {
            all.add(new Sample(kind, Files.readAllBytes(Path.of("../demo/standard", kind)), List.of("/%s/bank-files")));
        }
        Path csv = Path.of("../demo/current-account-2026-03-08.csv");
        all.add(new Sample(
                "bank.csv",
                Files.readAllBytes(csv),
                List.of("/%s/bank-files?account=current", "/%s/budget", "/%s/statements/opening/read")));
        Path ledger = Path.of("../demo/ledger/grocery-2026-03-01.csv");
        all.add(new Sample("ledger.csv", Files.readAllBytes(ledger), List.of("/%s/item-lists/look?line=grocery")));
        for (String plan : List.of("every-kind", "scenarios", "record")) {
            all.add(new Sample(plan, Files.readAllBytes(Path.of("../docs/examples", plan + ".json")), List.of("")));
        }
        return all;
    }

    private static byte[] damaged(byte[] whole, Random random) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        int at = random.nextInt(whole.length);
        int length = random.nextInt(Math.min(200, whole.length - at) + 1);
        byte[] part = Arrays.copyOfRange(whole, at, at + length);
        Runnable rest = () -> out.write(whole, at + length, whole.length - at - length);
        out.write(whole, 0, at);
        switch (random.nextInt(6)) {
            case 0 -> {}
            case 1 -> rest.run();
            case 2 -> {
                out.writeBytes(part);
                out.writeBytes(part);
                rest.run();
            }
            case 3 -> {
                for (int i = 0; i < part.length; i += 1 + random.nextInt(20)) {
                    part[i] = (byte) random.nextInt();
                }
                out.writeBytes(part);
                rest.run();
            }
            case 4 -> {
                out.writeBytes(FOREIGN.get(random.nextInt(FOREIGN.size())).getBytes(StandardCharsets.UTF_8));
                rest.run();
            }
            default -> {
                int other = random.nextInt(whole.length);
                out.write(whole, other, Math.min(300, whole.length - other));
                rest.run();
            }
        }
        return out.toByteArray();
    }

    @Test
    void damagedFiles_areTakenOrRefusedInWords() throws Exception {
        List<Sample> samples = samples();
        Random random = new Random(5_000);
        String plan = whole.add(DemoCompany.document());
        int taken = 0;
        for (int i = 0; i < FILES; i++) {
            Sample sample = samples.get(i % samples.size());
            byte[] file = damaged(sample.bytes(), random);
            for (String to : sample.to()) {
                MockHttpServletResponse answer = send(sample, file, "/api/plans" + to.formatted(plan), i);
                if (answer.getStatus() == 200) {
                    taken++;
                    bringIn(plan, to, answer, i);
                }
            }
        }
        assertThat(faults).isEmpty();
        assertThat(taken).as("some damage does no harm").isBetween(FILES / 20, FILES * 3);
    }

    /** A plan that came in is let go again; what a bank's file has is kept. */
    private void bringIn(String plan, String to, MockHttpServletResponse answer, int i) throws Exception {
        JsonNode got = JSON.readTree(answer.getContentAsString(StandardCharsets.UTF_8));
        if (to.isEmpty()) {
            String made = got.get("id").asString();
            MockHttpServletResponse view = ask(get("/api/plans/" + made), "plan " + i);
            if (view.getStatus() == 200) {
                whole.remove(
                        made,
                        JSON.readTree(view.getContentAsString()).get("version").asLong());
            }
        } else if (to.contains("bank-files")) {
            String files = "/api/plans/" + plan + "/bank-files";
            MockHttpServletResponse begun = ask(
                    post(files + "/" + got.get("id").asString() + "/take")
                            .contentType(MediaType.APPLICATION_JSON)
                            .content(got.path("dialect").toString()),
                    "take " + i);
            if (begun.getStatus() == 200) {
                String job = files + "/jobs/"
                        + JSON.readTree(begun.getContentAsString()).get("id").asString();
                while (List.of("READING", "KEEPING").contains(state(job, i))) {
                    Thread.sleep(2);
                }
            }
        }
    }

    private String state(String job, int i) throws Exception {
        return JSON.readTree(ask(get(job), "job " + i).getContentAsString())
                .path("state")
                .asString("");
    }

    private MockHttpServletResponse send(Sample sample, byte[] file, String to, int i) throws Exception {
        String said = sample.name() + " " + to + " " + i;
        return to.equals("/api/plans")
                ? ask(post(to).contentType(MediaType.APPLICATION_JSON).content(file), said)
                : ask(multipart(to).file(new MockMultipartFile("file", sample.name(), "text/plain", file)), said);
    }

    private <B extends AbstractMockHttpServletRequestBuilder<B>> MockHttpServletResponse ask(B request, String said)
            throws Exception {
        try {
            MockHttpServletResponse answer =
                    mvc.perform(request.with(csrf())).andReturn().getResponse();
            if (answer.getStatus() >= 500) {
                faults.add(said + ": " + answer.getContentAsString());
            }
            return answer;
        } catch (Exception e) {
            faults.add(said + ": " + e);
            MockHttpServletResponse none = new MockHttpServletResponse();
            none.setStatus(500);
            return none;
        }
    }
}
