package api

import (
	"bytes"
	"fmt"
	"hash/fnv"
	"net/http"
	"regexp"
	"strings"

	lru "github.com/hashicorp/golang-lru/v2"
)

// lasting are the answers that stay the same while nothing of their orchard changes and the day is the same: they are kept as the bytes
// that were sent.
var lasting = regexp.MustCompile(`^/api/orchards/([^/]+)/(plan|docket|light|trees/[^/]+/(plan|map/slip))$`)

// How many answers are kept, and up to which length.
const (
	keepAnswers = 192
	longAnswer  = 1 << 19
)

// sent is an answer as it was sent, of an orchard as it stood.
type sent struct {
	of     string // the orchard as it stood, and the person's day
	header http.Header
	body   []byte
}

// asSent answers from what was sent before, where nothing changed since: the same bytes, or that the client has them already.
func (s *server) asSent() func(http.Handler) http.Handler {
	answers, err := lru.New[string, *sent](keepAnswers)
	if err != nil {
		panic(err) // a size that is none
	}
	return func(next http.Handler) http.Handler {
		return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
			asked := lasting.FindStringSubmatch(r.URL.Path)
			if r.Method != http.MethodGet || asked == nil {
				next.ServeHTTP(w, r)
				return
			}
			mark, err := s.Store.Mark(r.Context(), asked[1])
			if err != nil {
				next.ServeHTTP(w, r) // it tells what is wrong in its own words
				return
			}
			now := fmt.Sprintf("%s at %s", mark, s.Today())
			key := fmt.Sprintf("%v %s", strings.Contains(r.Header.Get("Accept-Encoding"), "gzip"), r.URL.RequestURI())
			have, ok := answers.Get(key)
			if !ok || have.of != now {
				rec := &recorder{header: http.Header{}, status: http.StatusOK}
				next.ServeHTTP(rec, r)
				have = rec.sent(now)
				if rec.status != http.StatusOK {
					have.write(w, rec.status)
					return
				}
				if len(have.body) <= longAnswer {
					answers.Add(key, have)
				}
			}
			if r.Header.Get("If-None-Match") == have.header.Get("ETag") {
				w.Header().Set("ETag", have.header.Get("ETag"))
				w.WriteHeader(http.StatusNotModified)
				return
			}
			have.write(w, http.StatusOK)
		})
	}
}

func (a *sent) write(w http.ResponseWriter, status int) {
	for name, values := range a.header {
		w.Header()[name] = values
	}
	w.WriteHeader(status)
	_, _ = w.Write(a.body)
}

// recorder holds an answer back until it is whole.
type recorder struct {
	header http.Header
	status int
	body   bytes.Buffer
}

func (r *recorder) Header() http.Header         { return r.header }
func (r *recorder) WriteHeader(status int)      { r.status = status }
func (r *recorder) Write(b []byte) (int, error) { return r.body.Write(b) }

// sent is what was recorded, marked by its content.
func (r *recorder) sent(of string) *sent {
	h := fnv.New128a()
	_, _ = h.Write(r.body.Bytes())
	r.header.Set("ETag", fmt.Sprintf(`"%x"`, h.Sum(nil)))
	r.header.Set("Cache-Control", "private, no-cache")
	return &sent{of, r.header, r.body.Bytes()}
}
