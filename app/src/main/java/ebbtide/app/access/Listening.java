package ebbtide.app.access;

import ebbtide.app.storage.PersonStore;
import java.net.InetAddress;
import java.net.UnknownHostException;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.stereotype.Component;

/** Listens where it is told to; while people are to sign in and nobody can, on this machine alone. */
@Component
class Listening implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {
    private final PersonStore people;
    private final String host;
    private final boolean toSignInTo;

    Listening(
            PersonStore people,
            @Value("${ebbtide.host:127.0.0.1}") String host,
            @Value("${ebbtide.people:false}") boolean toSignInTo) {
        this.people = people;
        this.host = host;
        this.toSignInTo = toSignInTo;
    }

    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        try {
            boolean nobody = toSignInTo && !people.isAnybodyThere();
            factory.setAddress(nobody ? InetAddress.getLoopbackAddress() : InetAddress.getByName(host));
        } catch (UnknownHostException e) {
            throw new IllegalStateException("There is no address of the name " + host, e);
        }
    }
}
