package entaxis.web.page;

import entaxis.drawing.paint.Ink;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** The style sheet that is in use only while a page is dark: it follows from the colours of drawings. */
@RestController
class StyleController {
    private static final String STYLES = Ink.dark(":is(#drawing, .drawn)");

    @GetMapping("/css/dark-drawing.css")
    ResponseEntity<String> darkDrawing() {
        return ResponseEntity.ok().contentType(MediaType.valueOf("text/css;charset=UTF-8"))
                .cacheControl(CacheControl.noCache()).eTag(Integer.toHexString(STYLES.hashCode())).body(STYLES);
    }
}
