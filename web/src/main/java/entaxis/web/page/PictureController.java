package entaxis.web.page;

import entaxis.core.change.Change;
import entaxis.core.change.Problem;
import entaxis.core.change.SheetAspect;
import entaxis.core.design.Picture;
import entaxis.core.design.PictureId;
import entaxis.core.design.Place;
import entaxis.web.edit.EditForm;
import entaxis.web.sheet.PictureStore;
import entaxis.web.store.DesignStore;
import entaxis.web.store.NewId;
import entaxis.web.store.OpenDesign;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** Pictures on sheets: taken in and handed out. */
@Controller
class PictureController {
    private static final int WIDEST = 480;
    private final DesignStore store;
    private final PictureStore pictures;
    private final Answers answers;

    PictureController(DesignStore store, PictureStore pictures, Answers answers) {
        this.store = store;
        this.pictures = pictures;
        this.answers = answers;
    }

    @PostMapping("/designs/{id}/pictures")
    String add(@PathVariable String id, @RequestParam("file") MultipartFile file,
            @RequestParam Map<String, String> fields,
            @RequestHeader(value = "HX-Trigger", defaultValue = "") String trigger, Model model,
            HttpServletResponse response) throws IOException {
        EditForm form = new EditForm(fields);
        OpenDesign now = store.open(id);
        try {
            PictureStore.Kept kept = pictures.keep(file.getBytes());
            int width = Math.clamp(kept.width(), 20, WIDEST);
            int height = Math.clamp(Math.round((float) width * kept.height() / kept.width()), 20, 5000);
            String name =
                    Optional.ofNullable(file.getOriginalFilename()).orElse("picture").replaceFirst("\\.[^.]*$", "");
            PictureId picture = new PictureId(NewId.of('i'));
            Change change = new Change.AlterSheet(form.sheet(now.design()).id(),
                    new SheetAspect.PutPicture(new Picture(picture, kept.content(), name,
                            new Place(Math.round(Float.parseFloat(form.text("x"))),
                                    Math.round(Float.parseFloat(form.text("y")))),
                            width, height)));
            return answers.answer(store.edit(id, change), form, Optional.of(picture.value()), trigger, model, response);
        } catch (PictureStore.NoPicture e) {
            return answers.refused(List.of(new Problem("file", e.getMessage())), trigger, form, now, model, response);
        }
    }

    @GetMapping("/pictures/{content}")
    ResponseEntity<byte[]> picture(@PathVariable String content) {
        return pictures.find(content).map(picture -> ResponseEntity.ok().contentType(MediaType.valueOf(picture.type()))
                .header("Content-Security-Policy", "default-src 'none'; style-src 'unsafe-inline'; sandbox")
                .header("X-Content-Type-Options", "nosniff")
                .cacheControl(CacheControl.maxAge(Duration.ofDays(365)).immutable()).body(picture.bytes()))
                .orElseGet(() -> ResponseEntity.notFound().build());
    }
}
