package entaxis.web.page;

import entaxis.web.work.Job;
import entaxis.web.work.Jobs;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

/** Shows how far work is that takes longer, and goes on when it has ended. */
@Controller
class WorkController {
    private static final String GO = "HX-Redirect";
    private final Jobs jobs;

    WorkController(Jobs jobs) {
        this.jobs = jobs;
    }

    /** Where a page goes that has started work: on if it has ended, else to where one sees how far it is. */
    static String next(Job job) {
        return "redirect:" + job.page().orElse("/jobs/" + job.token());
    }

    @GetMapping("/jobs/{token}")
    String page(@PathVariable String token, Model model) {
        Optional<Job> job = jobs.find(token);
        model.addAttribute("job", job.orElse(null));
        return job.flatMap(Job::page).map(page -> "redirect:" + page).orElse("work");
    }

    @GetMapping("/jobs/{token}/step")
    String step(@PathVariable String token, Model model, HttpServletResponse response) {
        Optional<Job> job = jobs.find(token);
        job.flatMap(Job::page).ifPresent(page -> response.setHeader(GO, page));
        model.addAttribute("job", job.orElse(null));
        return "work :: step";
    }

    @PostMapping("/jobs/{token}/stop")
    String stop(@PathVariable String token, Model model) {
        Optional<Job> job = jobs.find(token);
        job.ifPresent(Job::stop);
        model.addAttribute("job", job.orElse(null));
        return "work :: step";
    }
}
