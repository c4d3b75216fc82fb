package entaxis.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.dependency.AttributeSet;
import entaxis.core.dependency.Discovery;
import entaxis.core.dependency.DiscoveryOracle;
import entaxis.core.dependency.Evidence;
import entaxis.core.dependency.Dependency.Functional;
import entaxis.core.dependency.Rows;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Dependencies of open data: the register of media types as the package mime-db holds it, and the countries and
 * currencies (ISO 3166-1, ISO 4217) that the JDK knows.
 */
class OpenDataTest {
    private static Rows mediaTypes() throws IOException {
        try (InputStream in =
                OpenDataTest.class.getResourceAsStream("/META-INF/resources/webjars/mime-db/1.54.0/db.json")) {
            JsonNode all = JsonMapper.builder().build().readTree(in);
            List<List<String>> rows = new ArrayList<>();
            all.propertyStream().forEach(entry -> {
                JsonNode type = entry.getValue();
                rows.add(List.of(entry.getKey(), entry.getKey().substring(0, entry.getKey().indexOf('/')),
                        type.path("source").asString(""),
                        type.path("charset").asString(""), type.path("compressible").asString(""),
                        type.path("extensions").path(0).asString("")));
            });
            return Rows.of(List.of("type", "class", "source", "charset", "compressible", "extension"), rows);
        }
    }

    @Test
    void mediaTypesAgreeWithTheDefinition() throws IOException {
        Rows rows = mediaTypes();
        assertThat(rows.size()).isGreaterThan(2000);
        DiscoveryOracle.same(rows);
        assertThat(Discovery.of(rows, Discovery.Watch.NONE).keys()).contains(AttributeSet.of(0));
        Evidence almost = Evidence.of(rows, new Functional(AttributeSet.of(1), AttributeSet.of(3)));
        assertThat(almost.agrees()).isFalse();
        assertThat(almost.holds() + almost.breaking().size()).isEqualTo(rows.size());
    }

    @Test
    void countriesAndCurrenciesAgreeWithTheDefinition() {
        List<List<String>> rows = new ArrayList<>();
        for (String country : Locale.getISOCountries()) {
            Locale place = Locale.of("", country);
            Currency currency = Currency.getInstance(place);
            if (currency != null) {
                rows.add(List.of(country, place.getISO3Country(), currency.getCurrencyCode(),
                        currency.getNumericCodeAsString(), String.valueOf(currency.getDefaultFractionDigits())));
            }
        }
        Rows all = Rows.of(List.of("alpha2", "alpha3", "currency", "number", "digits"), rows);
        DiscoveryOracle.same(all);
        // ISO 4217: code and number of a currency decide each other, and both decide its digits
        assertThat(Discovery.of(all, Discovery.Watch.NONE).dependencies()).contains(
                new Functional(AttributeSet.of(2), AttributeSet.of(3)),
                new Functional(AttributeSet.of(3), AttributeSet.of(2)),
                new Functional(AttributeSet.of(2), AttributeSet.of(4)));
        assertThat(Discovery.of(all, Discovery.Watch.NONE).keys()).containsExactly(AttributeSet.of(0),
                AttributeSet.of(1));
    }
}
