package entaxis.web.page;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.RequestMapping;

/**
 * What is shown for requests that no page serves or that failed on their way: always words for people, whatever kind
 * of answer was asked for.
 */
@Controller
class ErrorPageController implements ErrorController {
    private static final int NOT_FOUND = 404;
    private static final int FORBIDDEN = 403;
    private static final int TOO_LARGE = 413;
    private static final int SERVER_ERROR = 500;

    @RequestMapping("/error")
    String error(HttpServletRequest request, HttpServletResponse response, Model model) {
        int status =
                request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE) instanceof Integer code ? code : NOT_FOUND;
        response.setStatus(status);
        model.addAttribute("storeTrouble", "");
        model.addAttribute("title", switch (status) {
            case NOT_FOUND -> "There is nothing at this address";
            case FORBIDDEN -> "This page is out of date";
            case TOO_LARGE -> "That was too much at once";
            default ->
                    status >= SERVER_ERROR ? "This did not work" : "This request is not one that Entaxis understands";
        });
        model.addAttribute("advice", switch (status) {
            case NOT_FOUND -> "The list of designs shows what there is.";
            case FORBIDDEN -> "Nothing was changed. Reload the page you came from and try again.";
            default -> "Nothing was changed. Reload the page and try again.";
        });
        return "true".equals(request.getHeader("HX-Request")) ? "error :: brief" : "error";
    }
}
