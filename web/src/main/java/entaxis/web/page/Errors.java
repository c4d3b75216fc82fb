package entaxis.web.page;

import entaxis.web.store.NoSuchDesign;
import jakarta.servlet.http.HttpServletRequest;
import org.apache.tomcat.util.http.InvalidParameterException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;

/** What is shown when a request cannot be served: what happened and what to do, never a stack trace. */
@ControllerAdvice
class Errors {
    private static final Logger LOG = LoggerFactory.getLogger(Errors.class);

    @ExceptionHandler(NoSuchDesign.class)
    @ResponseStatus(HttpStatus.NOT_FOUND)
    String noSuchDesign(HttpServletRequest request, Model model) {
        return page(request, model, "This design is not here", "It may have been deleted. The list of designs shows what there is.");
    }

    @ExceptionHandler({IllegalArgumentException.class, java.util.NoSuchElementException.class, MethodArgumentTypeMismatchException.class,
            MissingServletRequestParameterException.class})
    @ResponseStatus(HttpStatus.BAD_REQUEST)
    String notUnderstood(HttpServletRequest request, Model model) {
        return page(request, model, "This request is not one that Entaxis understands", "Nothing was changed. Reload the page and try again.");
    }

    @ExceptionHandler({InvalidParameterException.class, MaxUploadSizeExceededException.class})
    @ResponseStatus(HttpStatus.CONTENT_TOO_LARGE)
    String tooMuch(HttpServletRequest request, Model model) {
        return page(request, model, "That was too much at once", "Nothing was changed. Send less: two megabytes is the most for one edit.");
    }

    @ExceptionHandler(DataAccessException.class)
    @ResponseStatus(HttpStatus.INTERNAL_SERVER_ERROR)
    String notKept(HttpServletRequest request, Model model, DataAccessException e) {
        LOG.error("an edit could not be kept", e);
        return page(request, model, "This could not be kept", "The database refused it, so nothing was changed. Check that the disk has room, then try again.");
    }

    private static String page(HttpServletRequest request, Model model, String title, String advice) {
        model.addAttribute("title", title);
        model.addAttribute("advice", advice);
        return "true".equals(request.getHeader("HX-Request")) ? "error :: brief" : "error";
    }
}
