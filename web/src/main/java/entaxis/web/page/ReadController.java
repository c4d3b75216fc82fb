package entaxis.web.page;

import entaxis.core.normalize.FlatSheet;
import entaxis.core.reading.Reading;
import entaxis.core.reading.ScriptReader;
import entaxis.core.reading.SteppedOver;
import entaxis.core.reverse.ReversedDesign;
import entaxis.core.targets.Target;
import entaxis.core.word.Words;
import entaxis.exchange.ScriptText;
import entaxis.web.reading.Connections;
import entaxis.web.reading.DesignFromReading;
import entaxis.web.reading.Waiting;
import entaxis.web.store.DesignStore;
import entaxis.web.work.Job;
import entaxis.web.work.Jobs;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.CancellationException;
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
    private static final int MAX_SHOWN = 200;
    private final DesignStore store;
    private final Waiting waiting;
    private final Connections connections;
    private final Jobs jobs;

    ReadController(DesignStore store, Waiting waiting, Connections connections, Jobs jobs) {
        this.store = store;
        this.waiting = waiting;
        this.connections = connections;
        this.jobs = jobs;
    }

    @GetMapping("/read")
    String form(Model model) {
        return asked(model, Target.DEFAULT, "", Optional.empty());
    }

    String asked(Model model, Target engine, String script, Optional<String> fault) {
        model.addAttribute("targets", Target.values());
        model.addAttribute("engine", engine);
        model.addAttribute("script", script);
        model.addAttribute("connections", connections.list());
        model.addAttribute("connectionProblems", connections.problems());
        fault.ifPresent(message -> model.addAttribute("fault", message));
        return "read";
    }

    @PostMapping("/read")
    String read(@RequestParam("file") List<MultipartFile> files, @RequestParam(defaultValue = "") String script,
            @RequestParam Target engine, Model model) throws IOException {
        List<MultipartFile> given = files.stream().filter(file -> !file.isEmpty())
                .sorted(Comparator.comparing(ReadController::name)).toList();
        if (given.isEmpty() && script.isBlank()) {
            return asked(model, engine, script,
                    Optional.of("There is nothing to read yet: choose a file, or paste a script."));
        }
        List<Text> texts = new ArrayList<>();
        for (MultipartFile file : given) {
            texts.add(
                    new Text(given.size() == 1 && script.isBlank() ? "" : name(file), ScriptText.of(file.getBytes())));
        }
        if (!script.isBlank()) {
            texts.add(new Text(given.isEmpty() ? "" : "pasted", script));
        }
        String proposed = given.isEmpty() ? "Read in" : FlatSheet.name(name(given.getFirst()));
        Job job =
                jobs.start(
                        "Reading " + (given.isEmpty() ? "the script"
                                : name(given.getFirst())
                                        + (given.size() == 1 ? "" : " and " + (given.size() - 1) + " more")),
                        token -> own -> {
            waiting.keep(token, new Waiting.Read(proposed, read(texts, engine, own)));
            return "/read/" + token;
        });
        return job.fault().isPresent() ? asked(model, engine, script, job.fault()) : WorkController.next(job);
    }

    /** A script, or a part of one, and what to call it where something in it is reported. */
    private record Text(String file, String script) { }

    private static Reading read(List<Text> texts, Target engine, Job job) throws Job.Failed {
        double all = texts.stream().mapToLong(text -> text.script().length()).sum();
        ScriptReader reader = new ScriptReader(engine, (signs, statements) -> {
            job.tell(String.format(Locale.ROOT, "%,d statements read", statements), signs / all);
            return !job.stopped();
        });
        try {
            texts.forEach(text -> reader.add(text.file(), text.script()));
        } catch (CancellationException stopped) {
            throw new Job.Failed("Reading was stopped; nothing was made of it.");
        }
        job.tell("The tables are put together.", 1);
        Reading reading = reader.done();
        if (reading.schema().tables().isEmpty()) {
            String found = reading.notUnderstood().isEmpty() ? "" : " Line " + reading.notUnderstood().getFirst().line()
                    + ": " + reading.notUnderstood().getFirst().reason() + ".";
            throw new Job.Failed(
                    "No table was found in it as a script of " + engine.title() + "." + found + " Is that its engine?");
        }
        return reading;
    }

    /** Reads the catalog of a database that the operator configured. */
    @PostMapping("/read/database")
    String database(@RequestParam String connection, Model model) {
        Job job = jobs.start("Reading the catalog of " + connection, token -> own -> {
            Reading reading = connections.read(connection, own);
            if (reading.schema().tables().isEmpty()) {
                throw new Job.Failed("There are no tables in “" + connection + "”.");
            }
            waiting.keep(token, new Waiting.Read(connection, reading));
            return "/read/" + token;
        });
        return job.fault().isPresent() ? asked(model, Target.DEFAULT, "", job.fault()) : WorkController.next(job);
    }

    /** Tries what is needed of a database that the operator configured. */
    @PostMapping("/read/database/try")
    String attempt(@RequestParam String connection, Model model) {
        model.addAttribute("attempt", connections.attempt(connection));
        return "read :: attempt";
    }

    /** What was read, and what can be chosen of it. */
    @GetMapping("/read/{token}")
    String read(@PathVariable String token, Model model) {
        return waiting.find(token).map(read -> preview(model, token, read)).orElseGet(() -> gone(model));
    }

    private String gone(Model model) {
        return asked(model, Target.DEFAULT, "",
                Optional.of("What was read is no longer kept here; read the script once more."));
    }

    private static String name(MultipartFile file) {
        return Optional.ofNullable(file.getOriginalFilename()).filter(name -> !name.isBlank()).orElse("script.sql");
    }

    private static String preview(Model model, String token, Waiting.Read read) {
        Reading reading = read.reading();
        DesignFromReading.Choices choices = DesignFromReading.choices(reading);
        Map<String, Long> passed = reading.steppedOver().stream()
                .collect(Collectors.groupingBy(SteppedOver::kind, TreeMap::new, Collectors.counting()));
        model.addAttribute("token", token);
        model.addAttribute("name", read.name());
        model.addAttribute("reading", reading);
        model.addAttribute("choices", choices);
        model.addAttribute("passed", passed.entrySet().stream()
                .map(kind -> kind.getKey() + " (" + kind.getValue() + ")").collect(Collectors.joining(", ")));
        model.addAttribute("missed", reading.notUnderstood().stream().limit(MAX_SHOWN).toList());
        return "read-choose";
    }

    @PostMapping("/read/{token}")
    String reverse(@PathVariable String token, @RequestParam String name,
            @RequestParam(required = false) Set<String> tables, @RequestParam(required = false) Set<String> bridges,
            @RequestParam(required = false) Set<String> proposals, Model model) {
        Optional<Waiting.Read> read = waiting.find(token);
        if (read.isEmpty()) {
            return gone(model);
        }
        Set<String> chosen = tables == null ? Set.of() : tables;
        if (chosen.isEmpty() || name.isBlank() || name.length() > 200) {
            model.addAttribute("fault",
                    chosen.isEmpty() ? "Tick at least one table." : "A design needs a name of at most 200 characters.");
            return preview(model, token, read.get());
        }
        Job job = jobs.start("Making “" + name.strip() + "”", any -> own -> {
            own.tell(Words.counted(chosen.size(), "table")
                    + (chosen.size() == 1 ? " becomes an entity and is" : " become entities and are") + " arranged.");
            ReversedDesign reversed = DesignFromReading.design(read.get().reading(), name.strip(), chosen,
                    bridges == null ? Set.of() : bridges, proposals == null ? Set.of() : proposals);
            if (own.stopped()) {
                throw new Job.Failed("It was stopped; no design was made.");
            }
            String id = store.create(reversed.design());
            waiting.keep(token, new Waiting.Made(id, name.strip(), reversed.remarks()));
            return reversed.remarks().isEmpty() ? "/designs/" + id : "/read/" + token + "/made";
        });
        if (job.fault().isPresent()) {
            model.addAttribute("fault", job.fault().get());
            return preview(model, token, read.get());
        }
        return WorkController.next(job);
    }

    /** What a design that was made does not say as the tables do. */
    @GetMapping("/read/{token}/made")
    String made(@PathVariable String token, Model model) {
        Optional<Waiting.Made> made = waiting.made(token);
        if (made.isEmpty()) {
            return "redirect:/";
        }
        model.addAttribute("id", made.get().design());
        model.addAttribute("name", made.get().name());
        model.addAttribute("remarks", made.get().remarks());
        return "read-done";
    }
}
