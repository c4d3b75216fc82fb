package entaxis.web.page;

import entaxis.core.design.Target;
import entaxis.core.lift.Lifted;
import entaxis.core.normalize.FlatSheet;
import entaxis.core.reading.Reading;
import entaxis.core.reading.ScriptReader;
import entaxis.core.reading.SteppedOver;
import entaxis.exchange.ScriptText;
import entaxis.web.reading.Connections;
import entaxis.web.reading.Lifts;
import entaxis.web.reading.Waiting;
import entaxis.web.store.DesignStore;
import java.io.IOException;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** Reading a script in: first what was understood and what can be chosen, then the design. */
@Controller
class ReadController {
    private static final int SHOWN = 200;
    private final DesignStore store;
    private final Waiting waiting;
    private final Connections connections;

    ReadController(DesignStore store, Waiting waiting, Connections connections) {
        this.store = store;
        this.waiting = waiting;
        this.connections = connections;
    }

    @GetMapping("/read")
    String form(Model model) {
        return asked(model, Target.POSTGRESQL, "", Optional.empty());
    }

    private String asked(Model model, Target engine, String script, Optional<String> fault) {
        model.addAttribute("targets", Target.values());
        model.addAttribute("engine", engine);
        model.addAttribute("script", script);
        model.addAttribute("connections", connections.list());
        fault.ifPresent(message -> model.addAttribute("fault", message));
        return "read";
    }

    @PostMapping("/read")
    String read(@RequestParam("file") List<MultipartFile> files, @RequestParam(defaultValue = "") String script, @RequestParam Target engine, Model model) throws IOException {
        List<MultipartFile> given = files.stream().filter(file -> !file.isEmpty()).sorted(Comparator.comparing(ReadController::name)).toList();
        if (given.isEmpty() && script.isBlank()) {
            return asked(model, engine, script, Optional.of("There is nothing to read yet: choose a file, or paste a script."));
        }
        ScriptReader reader = new ScriptReader(engine);
        for (MultipartFile file : given) {
            reader.add(given.size() == 1 && script.isBlank() ? "" : name(file), ScriptText.of(file.getBytes()));
        }
        if (!script.isBlank()) {
            reader.add(given.isEmpty() ? "" : "pasted", script);
        }
        Reading reading = reader.done();
        if (reading.schema().tables().isEmpty()) {
            String found = reading.notUnderstood().isEmpty() ? "" : " Line " + reading.notUnderstood().getFirst().line() + ": " + reading.notUnderstood().getFirst().reason() + ".";
            return asked(model, engine, script, Optional.of("No table was found in it as a script of " + engine.title() + "." + found + " Is that its engine?"));
        }
        String proposed = given.isEmpty() ? "Read in" : FlatSheet.name(name(given.getFirst()));
        return preview(model, waiting.keep(new Waiting.Read(proposed, reading)), new Waiting.Read(proposed, reading));
    }

    /** Reads the catalog of a database that the operator configured. */
    @PostMapping("/read/database")
    String database(@RequestParam String connection, Model model) {
        try {
            Waiting.Read read = new Waiting.Read(connection, connections.read(connection));
            if (read.reading().schema().tables().isEmpty()) {
                return asked(model, read.reading().engine(), "", Optional.of("There are no tables in “" + connection + "”."));
            }
            return preview(model, waiting.keep(read), read);
        } catch (Connections.Unreachable e) {
            return asked(model, Target.POSTGRESQL, "", Optional.of(e.getMessage()));
        }
    }

    private static String name(MultipartFile file) {
        return Optional.ofNullable(file.getOriginalFilename()).filter(name -> !name.isBlank()).orElse("script.sql");
    }

    private static String preview(Model model, String token, Waiting.Read read) {
        Reading reading = read.reading();
        Lifts.Choices choices = Lifts.choices(reading);
        Map<String, Long> passed = reading.steppedOver().stream().collect(Collectors.groupingBy(SteppedOver::kind, TreeMap::new, Collectors.counting()));
        model.addAttribute("token", token);
        model.addAttribute("name", read.name());
        model.addAttribute("reading", reading);
        model.addAttribute("choices", choices);
        model.addAttribute("passed", passed.entrySet().stream().map(kind -> kind.getKey() + " (" + kind.getValue() + ")").collect(Collectors.joining(", ")));
        model.addAttribute("missed", reading.notUnderstood().stream().limit(SHOWN).toList());
        return "read-choose";
    }

    @PostMapping("/read/{token}")
    String lift(@PathVariable String token, @RequestParam String name, @RequestParam(required = false) Set<String> tables, @RequestParam(required = false) Set<String> bridges,
            @RequestParam(required = false) Set<String> proposals, Model model) {
        Optional<Waiting.Read> read = waiting.find(token);
        if (read.isEmpty()) {
            return asked(model, Target.POSTGRESQL, "", Optional.of("What was read is no longer kept here; read the script once more."));
        }
        Set<String> chosen = tables == null ? Set.of() : tables;
        if (chosen.isEmpty() || name.isBlank() || name.length() > 200) {
            model.addAttribute("fault", chosen.isEmpty() ? "Tick at least one table." : "A design needs a name of at most 200 characters.");
            return preview(model, token, read.get());
        }
        Lifted lifted = Lifts.design(read.get().reading(), name.strip(), chosen, bridges == null ? Set.of() : bridges, proposals == null ? Set.of() : proposals);
        String id = store.create(lifted.design());
        if (lifted.remarks().isEmpty()) {
            return "redirect:/designs/" + id;
        }
        model.addAttribute("id", id);
        model.addAttribute("name", name.strip());
        model.addAttribute("remarks", lifted.remarks());
        return "read-done";
    }
}
