package entaxis.web.page;

import entaxis.web.work.FinishedFile;
import entaxis.web.work.FinishedFiles;
import entaxis.web.work.Job;
import entaxis.web.work.Jobs;
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
import org.springframework.web.bind.annotation.PostMapping;

/** Files that take a while to make: how far they are, and the files themselves. */
@Controller
class FilesController {
    private final Jobs jobs;
    private final FinishedFiles files;

    FilesController(Jobs jobs, FinishedFiles files) {
        this.jobs = jobs;
        this.files = files;
    }

    /** Shows how far a file is: a link once it is ready. */
    static String shown(Job job, Model model) {
        model.addAttribute("job", job);
        return "fragments/file :: file";
    }

    @GetMapping("/files/{token}")
    String step(@PathVariable String token, Model model) {
        model.addAttribute("job", jobs.find(token).orElse(null));
        return "fragments/file :: file";
    }

    @PostMapping("/files/{token}/stop")
    String stop(@PathVariable String token, Model model) {
        Optional<Job> job = jobs.find(token);
        job.ifPresent(Job::stop);
        model.addAttribute("job", job.orElse(null));
        return "fragments/file :: file";
    }

    @GetMapping("/files/{token}/content")
    ResponseEntity<byte[]> content(@PathVariable String token) {
        return files.find(token).map(FilesController::attached).orElseGet(() -> ResponseEntity.status(410)
                .contentType(MediaType.valueOf("text/plain;charset=UTF-8"))
                .body("This file is no longer kept. Go back and save it again.".getBytes(StandardCharsets.UTF_8)));
    }

    private static ResponseEntity<byte[]> attached(FinishedFile file) {
        return ResponseEntity.ok().contentType(MediaType.valueOf(file.type())).header(HttpHeaders.CONTENT_DISPOSITION,
                ContentDisposition.attachment().filename(file.name(), StandardCharsets.UTF_8).build().toString())
                .header("X-Content-Type-Options", "nosniff").body(file.bytes());
    }
}
