package overturn.app.api;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import javax.imageio.ImageIO;

/** An address as a code for a camera. */
public final class QrCode {

    private static final int PIXELS = 320;

    private QrCode() {}

    /** The code as a PNG file, black on white. */
    public static byte[] png(String address) {
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            BitMatrix code = new QRCodeWriter().encode(address, BarcodeFormat.QR_CODE, PIXELS, PIXELS);
            BufferedImage image = new BufferedImage(PIXELS, PIXELS, BufferedImage.TYPE_BYTE_BINARY);
            for (int x = 0; x < PIXELS; x++) {
                for (int y = 0; y < PIXELS; y++) {
                    image.setRGB(x, y, code.get(x, y) ? 0x000000 : 0xffffff);
                }
            }
            ImageIO.write(image, "png", out);
            return out.toByteArray();
        } catch (WriterException | IOException e) {
            throw new IllegalStateException("Impossible: a code for " + address + " cannot be made", e);
        }
    }
}
