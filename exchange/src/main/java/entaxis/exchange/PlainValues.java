package entaxis.exchange;

import java.math.BigDecimal;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import org.apache.poi.ss.usermodel.DataFormatter;
import org.apache.poi.ss.usermodel.DateUtil;

/** Numbers of a workbook as numbers, whatever digits it shows of them, and moments as ISO 8601 writes them. */
public final class PlainValues extends DataFormatter {
    private static final DateTimeFormatter MOMENT = DateTimeFormatter.ofPattern("uuuu-MM-dd HH:mm:ss");

    /** For every language the same. */
    public PlainValues() {
        super(Locale.ROOT);
    }

    @Override
    public String formatRawCellContents(double value, int format, String pattern, boolean from1904) {
        if (DateUtil.isADateFormat(format, pattern) && DateUtil.isValidExcelDate(value)) {
            LocalDateTime moment = DateUtil.getLocalDateTime(value, from1904, true);
            return moment.format(value % 1 == 0 ? DateTimeFormatter.ISO_LOCAL_DATE : MOMENT);
        }
        return BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
    }

    @Override
    public String formatRawCellContents(double value, int format, String pattern) {
        return formatRawCellContents(value, format, pattern, false);
    }
}
