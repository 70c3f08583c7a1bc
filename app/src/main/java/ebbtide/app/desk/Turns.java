package ebbtide.app.desk;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Supplier;

/** Work of which one piece at a time is done for each name, in the order in which it comes. */
final class Turns {
    private final Map<String, ReentrantLock> locks = new ConcurrentHashMap<>();

    /** Returns what some work for a name makes; work that is part of other work for it is done at once. */
    <T> T of(String name, Supplier<T> work) {
        ReentrantLock lock = locks.computeIfAbsent(name, one -> new ReentrantLock(true));
        lock.lock();
        try {
            return work.get();
        } finally {
            lock.unlock();
        }
    }
}
