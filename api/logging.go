package api

import (
	"context"
	"errors"
	"fmt"
	"log/slog"
	"net/http"
	"strings"
	"time"

	"github.com/go-chi/chi/v5/middleware"
)

// logRequests writes a line for each request, and one with its stack for each panic.
func (s *server) logRequests(next http.Handler) http.Handler {
	named := http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		next.ServeHTTP(w, r.WithContext(context.WithValue(r.Context(), logKey{}, s.Log)))
	})
	return middleware.RequestLogger(requests{s.Log})(named)
}

type logKey struct{}

// faultIn logs what went wrong in an operation, with the request it was asked in.
func faultIn(ctx context.Context, operation string, err error) {
	if errors.Is(err, context.Canceled) && ctx.Err() != nil { // the client left: nothing is wrong
		return
	}
	if log, ok := ctx.Value(logKey{}).(*slog.Logger); ok {
		log.Error("fault", "operation", operation, "cause", err.Error(), "id", middleware.GetReqID(ctx))
	}
}

// requests makes chi's log entries ours.
type requests struct{ log *slog.Logger }

// NewLogEntry begins a request's line.
func (q requests) NewLogEntry(r *http.Request) middleware.LogEntry {
	path := r.URL.Path
	for _, secret := range []string{calendarPath, helpPath, "/h/"} {
		if strings.HasPrefix(path, secret) {
			path = secret + "..." // the address is a secret
		}
	}
	return request{q.log.With("method", r.Method, "path", path, "id", middleware.GetReqID(r.Context()))}
}

// The addresses that go on with a secret.
const (
	calendarPath = "/calendar/"
	helpPath     = "/api/help/"
)

type request struct{ log *slog.Logger }

// Write ends it.
func (q request) Write(status, bytes int, _ http.Header, took time.Duration, _ any) {
	q.log.Info("request", "status", status, "bytes", bytes, "ms", took.Milliseconds())
}

// Panic tells of one.
func (q request) Panic(v any, stack []byte) {
	q.log.Error("panic", "value", fmt.Sprint(v), "stack", string(stack))
}

// ready says that its data can be read.
func (s *server) ready(w http.ResponseWriter, r *http.Request) {
	if err := s.Store.Ping(r.Context()); err != nil {
		faultIn(r.Context(), "readyz", err)
		http.Error(w, "the data cannot be read", http.StatusServiceUnavailable)
		return
	}
	_, _ = fmt.Fprintln(w, "ready")
}
