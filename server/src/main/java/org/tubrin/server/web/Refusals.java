package org.tubrin.server.web;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.Refused;
import org.tubrin.server.store.JsonProblems;
import tools.jackson.core.JacksonException;

/** Turns every refusal and every failure into a reply that names what to do; no stack trace leaves the server. */
@RestControllerAdvice
public class Refusals extends ResponseEntityExceptionHandler {
    private static final Logger LOG = LoggerFactory.getLogger(Refusals.class);

    private final ProblemReply reply;
    private final Outage outage;

    Refusals(ProblemReply reply, Outage outage) {
        this.reply = reply;
        this.outage = outage;
    }

    @ExceptionHandler
    ResponseEntity<ProblemReply.Body> refused(Refused refused) {
        return reply.of(422, "refused", refused.problems());
    }

    @ExceptionHandler
    ResponseEntity<ProblemReply.Body> stale(Stale stale) {
        return reply.of(409, "stale", String.valueOf(stale.getMessage()));
    }

    @ExceptionHandler
    ResponseEntity<ProblemReply.Body> notThere(NotThere notThere) {
        return reply.of(404, "notThere", String.valueOf(notThere.getMessage()));
    }

    @ExceptionHandler
    ResponseEntity<ProblemReply.Body> json(JacksonException failure) {
        return reply.of(422, "refused", JsonProblems.of(failure));
    }

    /** A part of the path that is no id names nothing; a parameter is refused by its name. */
    @ExceptionHandler
    ResponseEntity<ProblemReply.Body> mistyped(MethodArgumentTypeMismatchException failure) {
        String found = String.valueOf(failure.getValue());
        if (failure.getParameter().hasParameterAnnotation(PathVariable.class)) {
            return reply.of(404, "notThere", found);
        }
        return reply.of(
                422, "refused", List.of(JsonProblems.parameter(failure.getName(), found, failure.getRequiredType())));
    }

    @ExceptionHandler
    ResponseEntity<ProblemReply.Body> unforeseen(Exception failure, HttpServletRequest request) {
        Optional<Outage.Kind> met = outage.met(failure);
        if (met.isPresent()) {
            LOG.warn("The database fails ({}): {}", met.get(), failure.getMessage());
            return reply.passing(met.get().reply());
        }
        String reference = UUID.randomUUID().toString().substring(0, 8);
        LOG.error("Reference {}: {} {} failed", reference, request.getMethod(), request.getRequestURI(), failure);
        return reply.unforeseen(reference);
    }

    @Override
    protected @Nullable ResponseEntity<Object> handleHttpMessageNotReadable(
            HttpMessageNotReadableException failure, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        for (Throwable cause = failure.getCause(); cause != null; cause = cause.getCause()) {
            if (cause instanceof Calls.TooLarge) {
                return widen(reply.of(413, "tooLarge", String.valueOf(cause.getMessage())));
            }
            if (cause instanceof JacksonException json && !(json.getCause() instanceof Calls.TooLarge)) {
                List<Problem> problems = JsonProblems.of(json);
                return widen(reply.of(problems.get(0).path().isEmpty() ? 400 : 422, "refused", problems));
            }
        }
        return widen(reply.of(400, "unreadable", ""));
    }

    @Override
    protected @Nullable ResponseEntity<Object> handleMissingServletRequestParameter(
            MissingServletRequestParameterException failure,
            HttpHeaders headers,
            HttpStatusCode status,
            WebRequest request) {
        Class<?> type = failure.getMethodParameter() == null
                ? String.class
                : failure.getMethodParameter().getParameterType();
        return widen(reply.of(422, "refused", List.of(JsonProblems.parameter(failure.getParameterName(), "", type))));
    }

    @Override
    protected @Nullable ResponseEntity<Object> handleExceptionInternal(
            Exception failure, @Nullable Object body, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        String type = switch (status.value()) {
            case 404 -> "notThere";
            case 405 -> "wrongMethod";
            case 415 -> "wrongType";
            default -> "unreadable";
        };
        return widen(reply.of(status.value(), type, ""));
    }

    private static ResponseEntity<Object> widen(ResponseEntity<ProblemReply.Body> reply) {
        return ResponseEntity.status(reply.getStatusCode())
                .headers(reply.getHeaders())
                .body(reply.getBody());
    }
}
