package entaxis.web.page;

import entaxis.core.derive.Derivation;
import entaxis.core.dictionary.reading.SheetTable;
import entaxis.core.reading.EngineGuess;
import entaxis.exchange.DesignFile;
import entaxis.exchange.ScriptText;
import entaxis.exchange.UnreadableJson;
import entaxis.exchange.dictionary.DictionaryTables;
import entaxis.web.dictionary.WaitingTables;
import entaxis.web.sheet.PictureStore;
import entaxis.web.store.DesignStore;
import entaxis.web.store.NewId;
import entaxis.web.store.OpenDesign;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** Opens files of any kind that a design can come from, and saves designs as files. */
@Controller
class OpenController {
    private final DesignStore store;
    private final PictureStore pictures;
    private final WaitingTables waiting;
    private final HomeController home;
    private final ReadController reading;

    OpenController(DesignStore store, PictureStore pictures, WaitingTables waiting, HomeController home,
            ReadController reading) {
        this.store = store;
        this.pictures = pictures;
        this.waiting = waiting;
        this.home = home;
        this.reading = reading;
    }

    /** A design as a file of one's own. */
    @GetMapping("/designs/{id}/design.json")
    ResponseEntity<byte[]> save(@PathVariable String id) {
        OpenDesign open = store.open(id);
        String text = DesignFile.write(open.design(), content -> pictures.find(content)
                .map(picture -> new DesignFile.PictureBytes(picture.type(), picture.bytes())));
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON)
                .header(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment()
                        .filename(FileName.of(open.design().facts().name(), "json"), StandardCharsets.UTF_8).build()
                        .toString())
                .body(text.getBytes(StandardCharsets.UTF_8));
    }

    /**
     * Opens files: saved designs, dictionaries (those given together are one), scripts. What cannot be opened is said,
     * and the others are opened all the same.
     */
    @PostMapping("/open")
    String open(@RequestParam("file") List<MultipartFile> given, Model model) throws IOException {
        List<String> faults = new ArrayList<>();
        List<String> designs = new ArrayList<>();
        List<SheetTable> tables = new ArrayList<>();
        StringBuilder script = new StringBuilder();
        String first = "";
        for (MultipartFile file : given.stream().filter(one -> !one.isEmpty()).toList()) {
            String name = Optional.ofNullable(file.getOriginalFilename()).orElse("file");
            String end = name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
            try {
                if (end.equals("json")) {
                    designs.add(design(new String(file.getBytes(), StandardCharsets.UTF_8)));
                } else if (DictionaryTables.mayRead(name)) {
                    tables.addAll(DictionaryTables.read(name, file.getBytes()));
                    first = first.isEmpty() ? name : first;
                } else {
                    script.append(ScriptText.of(file.getBytes())).append('\n');
                }
            } catch (UnreadableJson | DictionaryTables.Unreadable | PictureStore.NoPicture e) {
                faults.add(name + ": " + e.getMessage());
            }
        }
        if (given.stream().allMatch(MultipartFile::isEmpty)) {
            faults.add("No file was chosen. Choose a saved design, a script, or a dictionary in CSV, XLSX or ODS.");
        }
        if (!faults.isEmpty()) {
            model.addAttribute("openFaults", faults);
            return home.home(model);
        }
        if (!tables.isEmpty()) {
            String token = NewId.of('x');
            waiting.keep(token, new WaitingTables.Waiting(first.replaceFirst("\\.[^.]*$", ""), tables));
            return "redirect:/import/" + token;
        }
        if (!script.isEmpty()) {
            return reading.asked(model, EngineGuess.of(script.toString()), script.toString(), Optional.empty());
        }
        return designs.size() == 1 ? "redirect:/designs/" + designs.getFirst() : "redirect:/";
    }

    private String design(String text) {
        DesignFile.Opened opened = DesignFile.read(text);
        try {
            Derivation.of(opened.design());
        } catch (RuntimeException e) {
            throw new UnreadableJson(
                    "The design does not hold together: one of its parts speaks of another that is not in it.", e);
        }
        opened.pictures().values().forEach(picture -> pictures.keep(picture.bytes()));
        return store.create(opened.design());
    }
}
