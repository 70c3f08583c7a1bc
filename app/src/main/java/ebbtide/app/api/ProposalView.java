package ebbtide.app.api;

import ebbtide.books.Settling;
import java.util.List;
import java.util.stream.Collectors;

/** Items that a movement may settle, in words, why, and what of the movement is then left to assign. */
record ProposalView(String words, String because, List<SettledView> parts, long left) {
    static ProposalView of(Settling.Proposal proposal) {
        List<SettledView> parts = proposal.parts().stream()
                .map(part -> new SettledView(
                        part.item().id(),
                        part.item().number(),
                        part.item().counterparty(),
                        part.item().amount().open(),
                        part.minor(),
                        part.less()))
                .toList();
        String words = parts.stream().map(SettledView::number).collect(Collectors.joining(" + "));
        return new ProposalView(words, proposal.because(), parts, proposal.left());
    }

    /** An item with what is open of it, and what settles it: cash, and what closes it beyond that; unsigned. */
    record SettledView(String item, String number, String counterparty, long open, long minor, long less) {}
}
