package org.tubrin.server.web;

import jakarta.servlet.ServletException;
import java.io.IOException;
import org.apache.catalina.Host;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.core.StandardHost;
import org.apache.catalina.valves.ValveBase;
import org.springframework.boot.tomcat.TomcatContextCustomizer;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.stereotype.Component;

/** Says what is wrong, in our own form, where the web server itself refuses a call before any of our code sees it. */
@Component
class ProblemValve extends ValveBase implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {
    private final ProblemReply reply;

    ProblemValve(ProblemReply reply) {
        super(true);
        this.reply = reply;
    }

    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        TomcatContextCustomizer inPlaceOfTheServersOwnPage = context -> {
            Host host = (Host) context.getParent();
            ((StandardHost) host).setErrorReportValveClass("");
            host.getPipeline().addValve(this);
        };
        factory.addContextCustomizers(inPlaceOfTheServersOwnPage);
    }

    @Override
    public void invoke(Request request, Response response) throws IOException, ServletException {
        getNext().invoke(request, response);
        int status = response.getStatus();
        if (status >= 400 && !response.isCommitted() && response.getContentWritten() == 0) {
            response.setSuspended(false);
            String type = switch (status) {
                case 404 -> "notThere";
                case 405 -> "wrongMethod";
                case 413 -> "tooLarge";
                case 400 -> "badAddress";
                default -> status >= 500 ? "busy" : "unreadable";
            };
            reply.send(response.getResponse(), status, type, String.valueOf(request.getRequestURI()));
            response.finishResponse();
        }
    }
}
