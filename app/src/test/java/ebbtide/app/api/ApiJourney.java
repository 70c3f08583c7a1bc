package ebbtide.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import ebbtide.app.desk.Edits;
import ebbtide.app.desk.Plans;
import ebbtide.app.desk.WholePlans;
import java.nio.charset.StandardCharsets;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A plan and what is sent about it over the api; each answer has the status that is expected. */
abstract class ApiJourney {
    private static final JsonMapper JSON = new JsonMapper();

    @Autowired
    protected MockMvc mvc;

    @Autowired
    protected Edits edits;

    @Autowired
    protected Plans plans;

    @Autowired
    protected WholePlans whole;

    protected String plan;

    protected <B extends AbstractMockHttpServletRequestBuilder<B>> JsonNode send(int status, B request)
            throws Exception {
        MockHttpServletResponse response =
                mvc.perform(request.with(csrf())).andReturn().getResponse();
        String body = response.getContentAsString(StandardCharsets.UTF_8);
        assertThat(response.getStatus()).as(body).isEqualTo(status);
        return body.isEmpty() ? null : JSON.readTree(body);
    }

    protected String path(String rest) {
        return "/api/plans/" + plan + rest;
    }

    long version() throws Exception {
        return send(200, get(path(""))).get("version").asLong();
    }

    void bring(String csv) throws Exception {
        JsonNode held = send(
                200,
                multipart(path("/bank-files?account=current"))
                        .file(new MockMultipartFile(
                                "file", "bank.csv", "text/csv", csv.getBytes(StandardCharsets.UTF_8))));
        JsonNode job = send(
                200,
                post(path("/bank-files/" + held.get("id").asString() + "/take"))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(held.get("dialect").toString()));
        while (!job.get("state").asString().equals("DONE")) {
            Thread.sleep(10);
            job = send(200, get(path("/bank-files/jobs/" + job.get("id").asString())));
        }
    }
}
