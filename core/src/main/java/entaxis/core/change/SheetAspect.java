package entaxis.core.change;

import entaxis.core.design.LineShape;
import entaxis.core.design.Note;
import entaxis.core.design.NoteId;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Picture;
import entaxis.core.design.PictureId;
import entaxis.core.design.SheetView;
import java.util.Set;

/** One thing about a sheet that can be changed by itself. */
public sealed interface SheetAspect {
    /** What it is called. */
    record Name(String name) implements SheetAspect { }

    /** What it shows of the entities on it. */
    record Shows(SheetView view) implements SheetAspect { }

    /** Cards that are hidden from now on, keeping their places, or shown again. */
    record Hidden(Set<OwnerId> cards, boolean hidden) implements SheetAspect {
        /** Copies the cards. */
        public Hidden {
            cards = Set.copyOf(cards);
        }
    }

    /** Cards that are taken off the sheet; the design keeps what they show. */
    record TakenOff(Set<OwnerId> cards) implements SheetAspect {
        /** Copies the cards. */
        public TakenOff {
            cards = Set.copyOf(cards);
        }
    }

    /** Cards that stay where they are when the sheet is arranged, or no longer do. */
    record Pinned(Set<OwnerId> cards, boolean pinned) implements SheetAspect {
        /** Copies the cards. */
        public Pinned {
            cards = Set.copyOf(cards);
        }
    }

    /** What is decided about the way of a line. */
    record Way(String line, LineShape shape) implements SheetAspect { }

    /** A note, new or in the place of the one of its identity. */
    record PutNote(Note note) implements SheetAspect { }

    /** Takes a note away. */
    record RemoveNote(NoteId note) implements SheetAspect { }

    /** A picture, new or in the place of the one of its identity. */
    record PutPicture(Picture picture) implements SheetAspect { }

    /** Takes a picture away. */
    record RemovePicture(PictureId picture) implements SheetAspect { }
}
