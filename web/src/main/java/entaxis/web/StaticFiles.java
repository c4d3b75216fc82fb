package entaxis.web;

import java.time.Duration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.ResourceUrlEncodingFilter;
import org.springframework.web.servlet.resource.VersionResourceResolver;

/**
 * Where styles, scripts and fonts are found. The places are named one by one, not as everything below the root: each
 * address on a page is looked up among them when the page is written, and would otherwise be searched for in all
 * archives of the class path. Styles and scripts have an address of their own for each start of the server, so that no
 * browser runs scripts of before an upgrade; scripts import each other by relative addresses, and so stay with it.
 */
@Configuration
class StaticFiles implements WebMvcConfigurer {
    private static final CacheControl A_DAY = CacheControl.maxAge(Duration.ofDays(1));
    private static final String START = "s" + Long.toString(System.currentTimeMillis(), Character.MAX_RADIX);

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        for (String folder : new String[] {"css", "js"}) {
            registry.addResourceHandler("/" + folder + "/**").addResourceLocations("classpath:/static/" + folder + "/")
                    .setCacheControl(A_DAY).resourceChain(true)
                    .addResolver(new VersionResourceResolver().addFixedVersionStrategy(START, "/**"));
        }
        for (String folder : new String[] {"vendor", "fonts"}) {
            registry.addResourceHandler("/" + folder + "/**").addResourceLocations("classpath:/static/" + folder + "/")
                    .setCacheControl(A_DAY).resourceChain(true);
        }
        registry.addResourceHandler("/favicon.svg").addResourceLocations("classpath:/static/").setCacheControl(A_DAY)
                .resourceChain(true);
        registry.addResourceHandler("/webjars/**").addResourceLocations("classpath:/META-INF/resources/webjars/")
                .setCacheControl(A_DAY).resourceChain(true);
    }

    /** Writes the addresses with the start of the server into the pages. */
    @Bean
    ResourceUrlEncodingFilter addressesOfThisStart() {
        return new ResourceUrlEncodingFilter();
    }
}
