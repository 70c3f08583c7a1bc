package ebbtide.app.access;

import ebbtide.app.Fault;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.task.ThreadPoolTaskSchedulerCustomizer;
import org.springframework.scheduling.concurrent.ThreadPoolTaskScheduler;
import org.springframework.stereotype.Component;

/** What the program does by itself: each task in a thread of its own, and one that fails is logged and tried again. */
@Component
class Tasks implements ThreadPoolTaskSchedulerCustomizer {
    private static final Logger LOG = LoggerFactory.getLogger(Tasks.class);
    /** A backup takes long, and keeps nobody from hearing of others. */
    private static final int THREADS = 3;

    @Override
    public void customize(ThreadPoolTaskScheduler scheduler) {
        scheduler.setPoolSize(THREADS);
        scheduler.setErrorHandler(failure -> LOG.error("A task of the program failed: {}", new Fault(failure)));
    }
}
