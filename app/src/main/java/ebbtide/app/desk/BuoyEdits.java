package ebbtide.app.desk;

import ebbtide.app.desk.Edits.Change;
import ebbtide.app.people.Hand;
import ebbtide.app.storage.NotFound;
import ebbtide.app.storage.ShortId;
import ebbtide.app.storage.UndoableStore.Kind;
import ebbtide.formats.plan.PlanReader;
import ebbtide.money.Check;
import ebbtide.money.Refused;
import ebbtide.plan.Buoy;
import ebbtide.plan.Remark;
import java.time.OffsetDateTime;
import tools.jackson.databind.JsonNode;

/** The edits of what is said on figures: buoys left, answered and lifted. Nobody changes the words of another. */
public final class BuoyEdits {
    private BuoyEdits() {}

    /**
     * Leaves a buoy as it is sent, by whoever is at work; or changes its note.
     *
     * @throws Refused where somebody else left it
     */
    public static Change put(JsonNode json, OffsetDateTime now) {
        Buoy sent = PlanReader.buoy(json);
        return draft -> {
            draft.reads(Kind.BUOY, sent.id());
            String author = Hand.atWork().author();
            Buoy was = draft.base().plan().buoys().stream()
                    .filter(one -> one.id().equals(sent.id()))
                    .findFirst()
                    .orElse(null);
            if (was == null) {
                draft.putBuoy(new Buoy(sent.id(), sent.row(), sent.period(), sent.note()).leftBy(author, now));
                return "Buoy left: " + sent.note();
            }
            Check.that(
                    was.author().isEmpty() || was.author().equals(author),
                    was.author() + " left this buoy, and alone changes its note: answer it, or leave one of your own");
            draft.putBuoy(sent.inPlaceOf(was));
            return "Buoy changed: " + sent.note();
        };
    }

    /** Lifts a buoy. */
    public static Change lift(String id) {
        return draft -> {
            draft.removeBuoy(id);
            return "Buoy lifted";
        };
    }

    private static Buoy find(Draft draft, String id) {
        return draft.base().plan().buoys().stream()
                .filter(one -> one.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new NotFound("buoy", id));
    }

    /** Answers a buoy. Answers of several people at once all stand. */
    public static Change answer(String id, String words, OffsetDateTime now) {
        return draft -> {
            Remark answer = new Remark(ShortId.next(), Hand.atWork().author(), now, words);
            draft.putBuoy(find(draft, id).answered(answer));
            return "Answered: " + answer.words();
        };
    }

    /**
     * Takes an answer back.
     *
     * @throws Refused where it is somebody else's
     */
    public static Change takeBack(String id, String answerId) {
        return draft -> {
            Buoy buoy = find(draft, id);
            Remark answer = buoy.answers().stream()
                    .filter(one -> one.id().equals(answerId))
                    .findFirst()
                    .orElseThrow(() -> new NotFound("answer", answerId));
            Check.that(
                    answer.author().equals(Hand.atWork().author()),
                    "This is " + answer.author() + "'s answer, who alone takes it back");
            draft.putBuoy(buoy.without(answer));
            return "Answer taken back";
        };
    }
}
