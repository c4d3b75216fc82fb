package entaxis.web.page;

import entaxis.core.design.Target;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.Highlight;
import entaxis.core.sql.Script;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.web.store.DesignStore;
import entaxis.web.store.OpenDesign;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;

/** The SQL desk. */
@Controller
class SqlController {
    private final DesignStore store;

    SqlController(DesignStore store) {
        this.store = store;
    }

    @GetMapping("/designs/{id}/sql")
    String desk(@PathVariable String id, @RequestParam(defaultValue = "") String target, @RequestParam(defaultValue = "false") boolean drop,
            @RequestParam(required = false) Boolean comments, @RequestParam(defaultValue = "") String schema, @RequestParam(defaultValue = "") String sel,
            @RequestParam(defaultValue = "false") boolean chosen, @RequestHeader(value = "HX-Request", defaultValue = "false") boolean htmx, Model model) {
        OpenDesign open = store.open(id);
        boolean withComments = comments == null ? !chosen : comments;
        Target engine = target(open, target);
        Script script = script(open, engine, drop, withComments, schema);
        DeskModel.strip(model, open, "sql", sel);
        DeskModel.contents(model, open);
        model.addAttribute("engine", engine);
        model.addAttribute("drop", drop);
        model.addAttribute("withComments", withComments);
        model.addAttribute("schema", schema);
        model.addAttribute("summary", script.summary());
        model.addAttribute("runs", Highlight.runs(script.text()));
        model.addAttribute("empty", script.statements().isEmpty());
        return htmx ? "sql :: script" : "sql";
    }

    @GetMapping("/designs/{id}/script.sql")
    ResponseEntity<String> download(@PathVariable String id, @RequestParam(defaultValue = "") String target, @RequestParam(defaultValue = "false") boolean drop,
            @RequestParam(defaultValue = "false") boolean comments, @RequestParam(defaultValue = "") String schema) {
        OpenDesign open = store.open(id);
        return ResponseEntity.ok().contentType(MediaType.valueOf("application/sql;charset=UTF-8"))
                .header(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename(FileName.of(open.design().facts().name(), "sql"), StandardCharsets.UTF_8).build().toString())
                .body(script(open, target(open, target), drop, comments, schema).text());
    }

    private static Target target(OpenDesign open, String asked) {
        return asked.isEmpty() ? open.design().facts().target() : Target.valueOf(asked);
    }

    private static Script script(OpenDesign open, Target target, boolean drop, boolean comments, String schema) {
        Optional<String> into = Optional.of(schema.strip()).filter(name -> !name.isEmpty() && name.chars().noneMatch(Character::isISOControl));
        return new ScriptWriter(Dialect.of(target), new ScriptOptions(drop, comments, into))
                .write(open.derivation().schema(), open.design().facts().name() + ", revision " + open.revision());
    }
}
