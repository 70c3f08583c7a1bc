package ebbtide.e2e;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A bank's CSV handed over to a program, and brought in by it or by another that works on the same server. */
record BankFile(String files, JsonNode held) {
    private static final JsonMapper JSON = new JsonMapper();

    static BankFile hand(Running running, String plan, String account, String text) {
        String files = "/api/plans/" + plan + "/bank-files";
        return new BankFile(
                files,
                JSON.readTree(running.send(
                        "POST",
                        files + "?account=" + account,
                        "--cut\r\nContent-Disposition: form-data; name=\"file\"; "
                                + "filename=\"bank.csv\"\r\nContent-Type: text/csv\r\n\r\n" + text + "\r\n--cut--\r\n",
                        "multipart/form-data; boundary=cut")));
    }

    /** Begins to bring it in; returns the address of the job. */
    String take(Running running) {
        String job = running.post(
                files + "/" + held.get("id").asString() + "/take",
                held.get("dialect").toString());
        return files + "/jobs/" + JSON.readTree(job).get("id").asString();
    }

    static String state(Running running, String job) {
        return JSON.readTree(running.get(job)).path("state").asString("");
    }

    /** Waits until a job is done, and returns how many movements it added. */
    static int added(Running running, String job) throws InterruptedException {
        for (String state = state(running, job); !state.equals("DONE"); state = state(running, job)) {
            if (!state.equals("READING") && !state.equals("KEEPING")) {
                throw new IllegalStateException("It is not being brought in: " + running.get(job));
            }
            Thread.sleep(10);
        }
        return JSON.readTree(running.get(job)).get("added").asInt();
    }
}
