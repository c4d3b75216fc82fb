package entaxis.web.page;

import entaxis.core.change.Change;
import entaxis.core.dictionary.Dictionary;
import entaxis.core.dictionary.reading.ColumnRole;
import entaxis.core.dictionary.reading.DictionaryDesign;
import entaxis.core.dictionary.reading.DictionaryLayout;
import entaxis.core.dictionary.reading.DictionaryReader;
import entaxis.core.dictionary.reading.DictionaryUpdate;
import entaxis.core.dictionary.reading.ReadDictionary;
import entaxis.exchange.dictionary.DictionaryTables;
import entaxis.web.dictionary.ReadDictionaries;
import entaxis.web.dictionary.WaitingTables;
import entaxis.web.store.DesignStore;
import entaxis.web.store.EditResult;
import entaxis.web.store.NewId;
import entaxis.web.store.OpenDesign;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/**
 * Dictionaries that come in: looked at before a design is made of them, or compared with a design that they come back
 * to.
 */
@Controller
class ImportController {
    private static final int MAX_SHOWN = 4;
    private final DesignStore store;
    private final WaitingTables waiting;

    ImportController(DesignStore store, WaitingTables waiting) {
        this.store = store;
        this.waiting = waiting;
    }

    /** A block of a sheet as the page shows it. */
    record ShownBlock(int number, String sheet, String entity, List<String> headings, List<ColumnRole> roles,
            List<List<String>> rows) { }

    @GetMapping("/import/{token}")
    String preview(@PathVariable String token, @RequestParam Map<String, String> fields, Model model) {
        Optional<WaitingTables.Waiting> found = waiting.find(token);
        model.addAttribute("token", token);
        model.addAttribute("gone", found.isEmpty());
        found.ifPresent(one -> {
            DictionaryLayout layout = layout(one, fields);
            model.addAttribute("name", one.name());
            model.addAttribute("read", DictionaryReader.read(one.tables(), layout));
            model.addAttribute("blocks", shown(one, layout));
            model.addAttribute("roles", ColumnRole.values());
        });
        return "import";
    }

    private static List<ShownBlock> shown(WaitingTables.Waiting one, DictionaryLayout layout) {
        List<ShownBlock> blocks = new ArrayList<>();
        for (DictionaryLayout.Block block : layout.blocks()) {
            List<List<String>> rows = one.tables().get(block.sheet()).rows();
            blocks.add(new ShownBlock(blocks.size(), one.tables().get(block.sheet()).name(), block.entity(),
                    rows.get(block.head()), block.roles(),
                    rows.subList(Math.min(block.head() + 1, block.end()),
                            Math.min(block.head() + 1 + MAX_SHOWN, block.end()))));
        }
        return blocks;
    }

    /** The layout with the roles that were chosen otherwise: fields such as {@code role-0-3}. */
    private static DictionaryLayout layout(WaitingTables.Waiting one, Map<String, String> fields) {
        DictionaryLayout layout = DictionaryLayout.of(one.tables());
        Map<Integer, List<ColumnRole>> chosen = new HashMap<>();
        for (int number = 0; number < layout.blocks().size(); number++) {
            List<ColumnRole> roles = new ArrayList<>(layout.blocks().get(number).roles());
            for (int column = 0; column < roles.size(); column++) {
                String field = fields.getOrDefault("role-" + number + "-" + column, "");
                int at = column;
                Arrays.stream(ColumnRole.values()).filter(role -> role.name().equals(field)).findFirst()
                        .ifPresent(role -> roles.set(at, role));
            }
            chosen.put(number, roles);
        }
        return layout.with(chosen);
    }

    @PostMapping("/import/{token}")
    String make(@PathVariable String token, @RequestParam Map<String, String> fields, Model model) {
        Optional<WaitingTables.Waiting> found = waiting.find(token);
        if (found.isEmpty()) {
            return preview(token, fields, model);
        }
        ReadDictionary read = DictionaryReader.read(found.get().tables(), layout(found.get(), fields));
        String name = fields.getOrDefault("name", "").strip();
        if (read.entities().isEmpty() || name.isEmpty() || name.length() > 200) {
            model.addAttribute("fault",
                    read.entities().isEmpty() ? "Nothing of it is an entity. Say which column names the attributes."
                            : "A design needs a name of at most 200 characters.");
            return preview(token, fields, model);
        }
        DictionaryDesign.Made made = ReadDictionaries.design(read, name);
        return "redirect:/designs/" + store.create(made.design());
    }

    /** A dictionary that comes back to its design: what it says otherwise. */
    @PostMapping("/designs/{id}/dictionary-back")
    String back(@PathVariable String id, @RequestParam("file") MultipartFile file, Model model) throws IOException {
        try {
            String token = NewId.of('x');
            waiting.keep(token,
                    new WaitingTables.Waiting(Optional.ofNullable(file.getOriginalFilename()).orElse("dictionary"),
                            DictionaryTables.read(
                                    Optional.ofNullable(file.getOriginalFilename()).orElse("dictionary.csv"),
                                    file.getBytes())));
            return "redirect:/designs/" + id + "/dictionary-back/" + token;
        } catch (DictionaryTables.Unreadable e) {
            model.addAttribute("fault", file.getOriginalFilename() + ": " + e.getMessage());
            return differences(id, "", model);
        }
    }

    @GetMapping("/designs/{id}/dictionary-back/{token}")
    String differences(@PathVariable String id, @PathVariable String token, Model model) {
        OpenDesign open = store.open(id);
        DeskModel.strip(model, open, "dictionary", "");
        Optional<ReadDictionary> read = waiting.find(token).map(one -> DictionaryReader.read(one.tables()));
        model.addAttribute("token", token);
        model.addAttribute("gone", read.isEmpty());
        model.addAttribute("missed", read.map(ReadDictionary::missed).orElse(List.of()));
        model.addAttribute("differences", read.map(one -> differences(open, one)).orElse(List.of()));
        return "dictionary-back";
    }

    private static List<DictionaryUpdate.Difference> differences(OpenDesign open, ReadDictionary read) {
        return DictionaryUpdate.of(open.design(), Dictionary.of(open.design(), open.derivation()), read, NewId::of);
    }

    /** Takes the chosen differences as one edit. */
    @PostMapping("/designs/{id}/dictionary-back/{token}")
    String take(@PathVariable String id, @PathVariable String token,
            @RequestParam(required = false) List<Integer> taken, Model model) {
        OpenDesign open = store.open(id);
        Optional<ReadDictionary> read = waiting.find(token).map(one -> DictionaryReader.read(one.tables()));
        if (read.isEmpty() || taken == null) {
            model.addAttribute("fault", read.isEmpty() ? "The file is no longer kept here; read it once more."
                    : "Tick at least one difference.");
            return differences(id, token, model);
        }
        List<DictionaryUpdate.Difference> all = differences(open, read.get());
        Change change =
                DictionaryUpdate.taking(taken.stream().filter(at -> at >= 0 && at < all.size()).map(all::get).toList());
        if (store.edit(id, change) instanceof EditResult.Refused refused) {
            model.addAttribute("fault", "Nothing was changed. " + refused.problems().getFirst().message());
            return differences(id, token, model);
        }
        return "redirect:/designs/" + id + "/dictionary";
    }
}
