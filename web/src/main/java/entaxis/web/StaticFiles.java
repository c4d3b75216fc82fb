package entaxis.web;

import java.time.Duration;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * Where styles, scripts and fonts are found. The places are named one by one, not as everything below the root: each
 * address on a page is looked up among them when the page
 * is written, and would otherwise be searched for in all archives of the class path.
 */
@Configuration
class StaticFiles implements WebMvcConfigurer {
    private static final CacheControl A_DAY = CacheControl.maxAge(Duration.ofDays(1));

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        for (String folder : new String[] {"css", "js", "vendor", "fonts"}) {
            registry.addResourceHandler("/" + folder + "/**").addResourceLocations("classpath:/static/" + folder + "/")
                    .setCacheControl(A_DAY).resourceChain(true);
        }
        registry.addResourceHandler("/favicon.svg").addResourceLocations("classpath:/static/").setCacheControl(A_DAY)
                .resourceChain(true);
        registry.addResourceHandler("/webjars/**").addResourceLocations("classpath:/META-INF/resources/webjars/")
                .setCacheControl(A_DAY).resourceChain(true);
    }
}
