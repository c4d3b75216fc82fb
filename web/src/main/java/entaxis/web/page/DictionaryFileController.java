package entaxis.web.page;

import entaxis.exchange.dictionary.DictionaryFormat;
import entaxis.web.dictionary.DictionaryFiles;
import entaxis.web.sheet.PictureStore;
import entaxis.web.store.DesignStore;
import entaxis.web.store.OpenDesign;
import entaxis.web.work.FinishedFile;
import entaxis.web.work.FinishedFiles;
import entaxis.web.work.Job;
import entaxis.web.work.Jobs;
import java.time.LocalDate;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Saves the dictionary of a design as a file. */
@Controller
class DictionaryFileController {
    private final DesignStore store;
    private final PictureStore pictures;
    private final Jobs jobs;
    private final FinishedFiles files;

    DictionaryFileController(DesignStore store, PictureStore pictures, Jobs jobs, FinishedFiles files) {
        this.store = store;
        this.pictures = pictures;
        this.jobs = jobs;
        this.files = files;
    }

    @PostMapping("/designs/{id}/dictionary-files")
    String save(@PathVariable String id, @RequestParam DictionaryFormat format, Model model) {
        OpenDesign open = store.open(id);
        Job job = jobs.start("Saving the dictionary", token -> own -> {
            own.tell("Writing the dictionary");
            try {
                byte[] bytes = new DictionaryFiles(open.design(), open.derivation(), pictures).write(format,
                        "revision " + open.revision() + ", " + LocalDate.now(),
                        (done, all) -> going(own, done, all));
                return files.keep(token,
                        new FinishedFile(FileName.of(open.design().facts().name() + " dictionary", format.extension()),
                                format.type(), bytes));
            } catch (Stopped e) {
                throw new Job.Failed("It was stopped; no file was made.");
            }
        });
        return FilesController.shown(job, model);
    }

    /** Tells how far the writing is, and ends it when it is to stop. */
    private static void going(Job job, int done, int all) {
        if (job.stopped()) {
            throw new Stopped();
        }
        if (all > 0) {
            job.tell("Writing " + (done + 1) + " of " + all, (double) done / all);
        }
    }
}
