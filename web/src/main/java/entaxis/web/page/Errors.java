package entaxis.web.page;

import entaxis.web.edit.WrongRequest;
import entaxis.web.reading.Connections;
import entaxis.web.store.DamagedDesign;
import entaxis.web.store.NoSuchDesign;
import entaxis.web.store.StoreHealth;
import entaxis.web.store.StoreUnavailable;
import jakarta.servlet.http.HttpServletRequest;
import java.util.NoSuchElementException;
import org.apache.tomcat.util.http.InvalidParameterException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpStatus;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.transaction.TransactionException;
import org.springframework.ui.Model;
import org.springframework.util.unit.DataSize;
import org.springframework.web.HttpMediaTypeNotAcceptableException;
import org.springframework.web.HttpMediaTypeNotSupportedException;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.ServletRequestBindingException;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.multipart.support.MissingServletRequestPartException;

/** What is shown when a request cannot be served: what happened and what to do, never a stack trace. */
@ControllerAdvice
class Errors {
    private static final Logger LOG = LoggerFactory.getLogger(Errors.class);
    private final StoreHealth health;

    private final DataSize mostForm;
    private final DataSize mostFile;

    Errors(StoreHealth health, @Value("${server.tomcat.max-http-form-post-size}") DataSize mostForm,
            @Value("${spring.servlet.multipart.max-file-size}") DataSize mostFile) {
        this.health = health;
        this.mostForm = mostForm;
        this.mostFile = mostFile;
    }

    /** What every page says at its top while the store takes no edits. */
    @ModelAttribute("storeTrouble")
    String storeTrouble() {
        return health.trouble().orElse("");
    }

    @ExceptionHandler(NoSuchDesign.class)
    @ResponseStatus(HttpStatus.NOT_FOUND)
    String noSuchDesign(HttpServletRequest request, Model model) {
        return page(request, model, "This design is not here",
                "It may have been deleted. The list of designs shows what there is.");
    }

    /** A side of a comparison that is gone, or a database that does not answer. */
    @ExceptionHandler(Connections.Unreachable.class)
    @ResponseStatus(HttpStatus.NOT_FOUND)
    String unreachable(HttpServletRequest request, Model model, Connections.Unreachable e) {
        return page(request, model, "This side cannot be read", e.getMessage());
    }

    @ExceptionHandler({WrongRequest.class, MethodArgumentTypeMismatchException.class,
            MissingServletRequestParameterException.class})
    @ResponseStatus(HttpStatus.BAD_REQUEST)
    String notUnderstood(HttpServletRequest request, Model model) {
        return page(request, model, "This request is not one that Entaxis understands",
                "Nothing was changed. Reload the page and try again.");
    }

    @ExceptionHandler({InvalidParameterException.class, MaxUploadSizeExceededException.class})
    @ResponseStatus(HttpStatus.CONTENT_TOO_LARGE)
    String tooMuch(HttpServletRequest request, Model model) {
        return page(request, model, "That was too much at once", "Nothing was changed. Send less: an edit has "
                + mostForm.toMegabytes() + " MB at most, a file " + mostFile.toMegabytes() + " MB.");
    }

    /**
     * The field that sent the edit keeps what was typed; the word is put beside it by the page, as for everything that
     * is refused.
     */
    @ExceptionHandler(StoreUnavailable.class)
    @ResponseStatus(HttpStatus.SERVICE_UNAVAILABLE)
    String unavailable(HttpServletRequest request, Model model, StoreUnavailable e) {
        return page(request, model, "This could not be kept", e.getMessage());
    }

    @ExceptionHandler({DataAccessException.class, TransactionException.class})
    @ResponseStatus(HttpStatus.SERVICE_UNAVAILABLE)
    String notKept(HttpServletRequest request, Model model, Exception e) {
        return e.getCause() instanceof StoreUnavailable known ? unavailable(request, model, known)
                : unavailable(request, model, health.failed(e));
    }

    @ExceptionHandler(DamagedDesign.class)
    @ResponseStatus(HttpStatus.INTERNAL_SERVER_ERROR)
    String damaged(HttpServletRequest request, Model model, DamagedDesign e) {
        LOG.error("{}", e.getMessage());
        return page(request, model, "This design cannot be read", e.getMessage()
                + " Your other designs are not touched by it. A backup may have it: ./entaxis restore FILE.");
    }

    /** What a form, a body or a header is not. */
    @ExceptionHandler({HttpMessageNotReadableException.class, MultipartException.class,
            MissingServletRequestPartException.class, HttpMediaTypeNotAcceptableException.class,
            ServletRequestBindingException.class})
    @ResponseStatus(HttpStatus.BAD_REQUEST)
    String malformed(HttpServletRequest request, Model model) {
        return notUnderstood(request, model);
    }

    @ExceptionHandler(HttpMediaTypeNotSupportedException.class)
    @ResponseStatus(HttpStatus.UNSUPPORTED_MEDIA_TYPE)
    String unsupported(HttpServletRequest request, Model model) {
        return page(request, model, "This kind of content is not taken here",
                "Nothing was changed. Reload the page and try again.");
    }

    /** A fault of the application: the log has it with its trace. */
    @ExceptionHandler({IllegalArgumentException.class, IllegalStateException.class, NoSuchElementException.class,
            ClassCastException.class, IndexOutOfBoundsException.class, NullPointerException.class,
            UnsupportedOperationException.class, ArithmeticException.class})
    @ResponseStatus(HttpStatus.INTERNAL_SERVER_ERROR)
    String fault(HttpServletRequest request, Model model, RuntimeException e) {
        LOG.error("{} {} failed", request.getMethod(), request.getRequestURI(), e);
        return page(request, model, "Something went wrong in Entaxis",
                "Nothing was changed by this request. The log of the server says what happened. Reload the page and go "
                        + "on.");
    }

    private static String page(HttpServletRequest request, Model model, String title, String advice) {
        model.addAttribute("title", title);
        model.addAttribute("storeTrouble", "");
        model.addAttribute("advice", advice);
        return "true".equals(request.getHeader("HX-Request")) ? "error :: brief" : "error";
    }
}
