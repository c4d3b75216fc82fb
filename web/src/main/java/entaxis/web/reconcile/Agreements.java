package entaxis.web.reconcile;

import java.time.OffsetDateTime;
import java.util.List;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps what a design and another side agreed on: all of it or nothing. */
@Component
public class Agreements {
    private final ReconcileNoteMapper mapper;

    Agreements(ReconcileNoteMapper mapper) {
        this.mapper = mapper;
    }

    @Transactional
    void keep(String design, String side, List<ReconcileNote> notes) {
        OffsetDateTime now = OffsetDateTime.now();
        notes.forEach(note -> mapper.put(design, side, note, now));
    }
}
