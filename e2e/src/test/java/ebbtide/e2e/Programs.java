package ebbtide.e2e;

import tools.jackson.databind.json.JsonMapper;

/**
 * The program that journeys share: one demo, started once and ended with the tests, in which each class has a plan of
 * its own.
 */
final class Programs {
    private static final JsonMapper JSON = new JsonMapper();
    private static Running demo;
    private static String shipped;
    private static String file;

    private Programs() {}

    /** Returns the demo, started when it is first asked for. */
    static synchronized Running demo() {
        if (demo == null) {
            demo = Running.start("demo");
            Runtime.getRuntime().addShutdownHook(new Thread(demo::close));
            shipped = JSON.readTree(demo.get("/api/plans")).get(0).get("id").asString();
            file = demo.get("/api/plans/" + shipped + "/file");
        }
        return demo;
    }

    /** Returns the id of the plan that the demo ships with, its snapshots and all: for one class alone. */
    static String shippedPlan() {
        demo();
        return shipped;
    }

    /** Returns the file of that plan as it was shipped. */
    static String shippedFile() {
        demo();
        return file;
    }

    /** Makes a plan of a plan file and returns its id. */
    static String plan(Running running, String planFile) {
        return JSON.readTree(running.post("/api/plans", planFile)).get("id").asString();
    }
}
