package ebbtide.app.access;

import java.io.IOException;
import java.io.InputStream;
import java.net.Socket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.security.cert.Certificate;
import java.security.cert.CertificateException;
import java.security.cert.CertificateFactory;
import java.security.cert.X509Certificate;
import javax.net.ssl.SSLContext;
import javax.net.ssl.SSLEngine;
import javax.net.ssl.TrustManager;
import javax.net.ssl.X509ExtendedTrustManager;
import org.jspecify.annotations.Nullable;

/** Trusts one certificate, that of a file, under whatever name: a command knows the program of its own data by it. */
final class PinnedCertificate extends X509ExtendedTrustManager {
    private final Certificate known;

    private PinnedCertificate(Certificate known) {
        this.known = known;
    }

    /**
     * Returns what trusts the first certificate in a PEM file, and nothing else.
     *
     * @throws IOException where it cannot be read as one
     */
    static SSLContext trusting(Path pem) throws IOException {
        try (InputStream in = Files.newInputStream(pem)) {
            Certificate first = CertificateFactory.getInstance("X.509").generateCertificate(in);
            SSLContext context = SSLContext.getInstance("TLS");
            context.init(null, new TrustManager[] {new PinnedCertificate(first)}, null);
            return context;
        } catch (GeneralSecurityException e) {
            throw new IOException("The certificate '" + pem + "' cannot be read", e);
        }
    }

    private void require(X509Certificate[] shown) throws CertificateException {
        if (shown.length == 0 || !shown[0].equals(known)) {
            throw new CertificateException("It is not the certificate that the program was started with");
        }
    }

    @Override
    public void checkServerTrusted(X509Certificate[] shown, String type) throws CertificateException {
        require(shown);
    }

    @Override
    public void checkServerTrusted(X509Certificate[] shown, String type, @Nullable Socket socket)
            throws CertificateException {
        require(shown);
    }

    @Override
    public void checkServerTrusted(X509Certificate[] shown, String type, @Nullable SSLEngine engine)
            throws CertificateException {
        require(shown);
    }

    @Override
    public void checkClientTrusted(X509Certificate[] shown, String type) throws CertificateException {
        throw new CertificateException("Nobody is a server here");
    }

    @Override
    public void checkClientTrusted(X509Certificate[] shown, String type, @Nullable Socket socket)
            throws CertificateException {
        checkClientTrusted(shown, type);
    }

    @Override
    public void checkClientTrusted(X509Certificate[] shown, String type, @Nullable SSLEngine engine)
            throws CertificateException {
        checkClientTrusted(shown, type);
    }

    @Override
    public X509Certificate[] getAcceptedIssuers() {
        return new X509Certificate[0];
    }
}
