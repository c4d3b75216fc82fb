package entaxis.web.edit;

import entaxis.core.change.Change;
import entaxis.core.change.Problem;
import java.util.List;
import java.util.Optional;

/** What came of reading a form. */
public sealed interface EditReading {
    /**
     * The form asks for this change.
     *
     * @param select the element that is to be selected afterwards, where it is another one
     */
    record Read(Change change, Optional<String> select) implements EditReading { }

    /** What was typed cannot be understood. */
    record Faulty(List<Problem> problems) implements EditReading {
        /** One thing that cannot be understood. */
        public static Faulty of(String field, String message) {
            return new Faulty(List.of(new Problem(field, message)));
        }
    }
}
