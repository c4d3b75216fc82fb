package entaxis.web.page;

import entaxis.core.design.Notation;
import entaxis.core.design.Paper;
import entaxis.core.design.Sheet;
import entaxis.core.word.Words;
import entaxis.drawing.file.FileOptions;
import entaxis.drawing.file.Format;
import entaxis.drawing.file.SheetPicture;
import entaxis.drawing.pdf.PdfWriter;
import entaxis.drawing.pdf.TitleBlock;
import entaxis.drawing.scene.Lens;
import entaxis.web.edit.WrongRequest;
import entaxis.web.sheet.Sheets;
import entaxis.web.store.DesignStore;
import entaxis.web.store.OpenDesign;
import entaxis.web.work.FinishedFile;
import entaxis.web.work.FinishedFiles;
import entaxis.web.work.Job;
import entaxis.web.work.Jobs;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

/** Saves sheets as pictures and on paper. */
@Controller
class SheetFileController {
    private final DesignStore store;
    private final Sheets sheets;
    private final Jobs jobs;
    private final FinishedFiles files;

    SheetFileController(DesignStore store, Sheets sheets, Jobs jobs, FinishedFiles files) {
        this.store = store;
        this.sheets = sheets;
        this.jobs = jobs;
        this.files = files;
    }

    /** What of the design is saved. */
    enum Part { SHEET, SELECTION, ALL }

    /** What the form asks for. */
    record Asked(Part part, Format format, String lens, String sheet, String selected, Notation notation, Integer scale,
            Boolean transparent, Boolean legend, Boolean titleBlock,
            Boolean tiled, Paper.Size size, Boolean upright) {
        FileOptions options() {
            Optional<Paper> paper = Optional.ofNullable(size).map(of -> new Paper(of, !Boolean.TRUE.equals(upright)));
            return new FileOptions(format, scale == null ? 1 : Math.clamp(scale, 1, 4),
                    Boolean.TRUE.equals(transparent), Boolean.TRUE.equals(legend),
                    Boolean.TRUE.equals(titleBlock), Boolean.TRUE.equals(tiled), paper);
        }

        Set<String> some() {
            return part != Part.SELECTION || selected == null || selected.isBlank() ? Set.of()
                    : new LinkedHashSet<>(List.of(selected.split(",")));
        }
    }

    @PostMapping("/designs/{id}/sheet-files")
    String save(@PathVariable String id, @ModelAttribute Asked asked, Model model) {
        OpenDesign open = store.open(id);
        if (asked.part() == null || asked.format() == null) {
            throw new WrongRequest("the form names no part of the design or no format");
        }
        Job job = jobs.start("Saving the picture", token -> own -> {
            FileOptions options = asked.options();
            List<Sheet> chosen = asked.part() == Part.ALL ? open.design().sheets().list()
                    : List.of(DiagramController.shown(open, asked.sheet() == null ? "" : asked.sheet()));
            Lens lens = DeskModel.lens(asked.lens() == null ? "" : asked.lens());
            own.tell("Drawing " + (chosen.size() == 1 ? "the sheet" : Words.counted(chosen.size(), "sheet")), 0);
            List<SheetPicture> pictures = chosen.stream().map(sheet -> sheets.picture(open, lens, sheet,
                    Optional.ofNullable(asked.notation()), known(open, sheet, asked.some()))).toList();
            try {
                return files.keep(token, file(open, pictures, options, progress(own)));
            } catch (Stopped e) {
                throw new Job.Failed("It was stopped; no file was made.");
            }
        });
        return FilesController.shown(job, model);
    }

    private static PdfWriter.Progress progress(Job job) {
        return (done, all) -> {
            if (job.stopped()) {
                throw new Stopped();
            }
            job.tell("Page " + (done + 1) + " of " + all, (double) done / Math.max(1, all));
        };
    }

    /** Identities that are on the sheet; a selection of which nothing is there counts as none. */
    private static Set<String> known(OpenDesign open, Sheet sheet, Set<String> some) {
        Set<String> there = sheet.places().keySet().stream().map(Object::toString).collect(Collectors.toSet());
        open.design().relationships().forEach(relationship -> there.add(relationship.id().value()));
        sheet.notes().forEach(note -> there.add(note.id().value()));
        sheet.pictures().forEach(picture -> there.add(picture.id().value()));
        return some.stream().filter(there::contains).collect(Collectors.toCollection(LinkedHashSet::new));
    }

    private FinishedFile file(OpenDesign open, List<SheetPicture> pictures, FileOptions options,
            PdfWriter.Progress progress) {
        String name = open.design().facts().name();
        Format format = options.format();
        if (format == Format.PDF) {
            TitleBlock title = TitleBlock.of(open.design().facts(), LocalDate.now(), Optional.of(open.revision()));
            return new FinishedFile(FileName.of(name, "pdf"), format.type(),
                    sheets.files().pdf(pictures, options, title, open.design().facts().author(), progress));
        }
        if (pictures.size() > 1) {
            return new FinishedFile(FileName.of(name, "zip"), "application/zip",
                    sheets.files().archive(pictures, options, progress));
        }
        return new FinishedFile(FileName.of(name, format.extension()), format.type(),
                sheets.files().picture(pictures.getFirst(), options));
    }

    /** What the form on the Diagram desk offers. */
    static void offer(Model model) {
        model.addAttribute("formats", Format.values());
        model.addAttribute("notations", Notation.values());
        model.addAttribute("paperSizes", Arrays.asList(Paper.Size.values()));
    }
}
