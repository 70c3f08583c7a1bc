package ebbtide.app.jobs;

import ebbtide.app.storage.Engine;
import ebbtide.app.storage.StatementStore;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** On a server, takes up what a program laid down that was killed, while others go on; alone on a file a start does. */
@Component
class CutOffStatements {
    private final StatementStore statements;
    private final Engine engine;

    CutOffStatements(StatementStore statements, Engine engine) {
        this.statements = statements;
        this.engine = engine;
    }

    @Scheduled(initialDelay = 90_000, fixedDelay = 60_000)
    void takeUp() {
        if (engine.isServer()) {
            statements.takeUpCutOff();
        }
    }
}
