package ebbtide.app.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;
import org.h2.jdbcx.JdbcDataSource;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.support.TransactionTemplate;

/** A disk that fills up: what would be written is refused, what is there can be read, and all is well with room. */
class DiskRoomTest {
    @TempDir
    private Path folder;

    private static final class Filling extends DiskRoom {
        private long bytes = 1;

        Filling(Path folder) {
            super(folder.toString());
        }

        @Override
        long bytes() {
            return bytes;
        }
    }

    @Test
    void fullDisk_takesNoEdits_goesOnBeingRead_andIsWellByItself() {
        Filling room = new Filling(folder);
        JdbcDataSource data = new JdbcDataSource();
        data.setURL(FileSpace.url(folder.resolve("ebbtide").toString()));
        JdbcClient client = JdbcClient.create(data);
        TransactionTemplate writing = new TransactionTemplate(new ForcedTransactions(data, room, new Engine("")));
        TransactionTemplate reading = new TransactionTemplate(new ForcedTransactions(data, room, new Engine("")));
        reading.setReadOnly(true);
        client.sql("create table kept (id int)").update();
        Runnable edit = () -> writing.executeWithoutResult(
                status -> client.sql("insert into kept values (1)").update());
        edit.run();
        room.bytes = -(5L << 20);
        for (int i = 0; i < 3; i++) {
            assertThatThrownBy(edit::run)
                    .isInstanceOf(NoRoom.class)
                    .hasMessage(
                            "The disk of '" + folder
                                    + "' is full but for 27 MB: nothing was changed. Make at least 6 MB of room there, and do it again");
            assertThat(reading.<Integer>execute(status -> client.sql("select count(*) from kept")
                            .query(Integer.class)
                            .single()))
                    .isEqualTo(1);
        }
        assertThatThrownBy(() -> new Filling(folder).require(3L << 20)).hasMessageContaining("at least 3 MB");
        room.bytes = 0;
        assertThatCode(edit::run).doesNotThrowAnyException();
        assertThat(client.sql("select count(*) from kept").query(Integer.class).single())
                .isEqualTo(2);
        assertThat(new DiskRoom("").bytes()).as("in memory").isEqualTo(Long.MAX_VALUE);
    }
}
