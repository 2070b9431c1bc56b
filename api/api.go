// Package api speaks HTTP for the screens: requests, responses and problems. It holds no rule of the job.
package api

import (
	"context"
	"fmt"
	"log/slog"
	"math"
	"net"
	"net/http"
	"net/url"
	"reflect"
	"regexp"
	"runtime"
	"slices"
	"strings"
	"time"

	"github.com/danielgtaylor/huma/v2"
	"github.com/danielgtaylor/huma/v2/adapters/humachi"
	"github.com/go-chi/chi/v5"
	"github.com/go-chi/chi/v5/middleware"

	"vertumna/contract"
	"vertumna/core/almanac"
	"vertumna/core/given"
	"vertumna/orchard"
	"vertumna/store"
	"vertumna/words"
)

// Config is what a server is made from.
type Config struct {
	Store     *store.Store
	Keeper    *orchard.Keeper    // of the same store
	Today     func() almanac.Day // the person's day
	Now       func() time.Time
	PublicURL string // base of the subscription address; empty: the address the request came to
	Web       http.Handler
	Log       *slog.Logger
	Demo      bool
	// OpenDemo opens the made-up orchards. nil: they are not offered.
	OpenDemo  func(context.Context) (DemoBody, error)
	Household Household
	Station   orchard.Station // nil: no weather station is asked
}

type server struct {
	Config
	guard *guard
}

// Body limits in bytes.
const (
	maxBody    = 1 << 20
	maxArchive = 20 << 20
)

// New makes the handler of the whole program: the api, the calendar and the web application.
func New(c Config) http.Handler {
	s := &server{Config: c, guard: newGuard(c.Household, c.Store)}
	r := chi.NewRouter()
	r.Use(middleware.RequestID, s.logRequests, s.speaking, middleware.Recoverer, secure, s.onlyOurHosts)
	r.Use(http.NewCrossOriginProtection().Handler, slowly, s.guard.protect, s.asSent(), inTurn())
	r.Use(middleware.Compress(5, "application/json", "application/problem+json", "text/html", "text/css", "text/javascript", "image/svg+xml", "text/calendar"))
	s.register(humachi.New(r, apiConfig()))
	r.Get("/readyz", s.ready)
	r.Get("/api/orchards/{slug}/calendar.ics", s.downloadCalendar)
	r.Get("/calendar/{token}.ics", s.subscribedCalendar)
	r.Get("/api/orchards/{slug}/trees/{id}/limbs.{format}", s.downloadLimbs)
	r.Get("/api/schemas/limb-map.json", limbSchema)
	r.Get("/api/orchards/{slug}/trees/{id}/paper.pdf", s.printTree)
	r.Get("/api/orchards/{slug}/walk.pdf", s.printWalk)
	r.Get("/api/orchards/{slug}/gauge.pdf", s.printGauge)
	if c.Web != nil {
		r.NotFound(c.Web.ServeHTTP)
	}
	return r
}

func apiConfig() huma.Config {
	useProblems()
	c := huma.DefaultConfig("Vertumna", "1")
	c.DocsPath = ""
	c.OpenAPIPath = "/openapi"
	c.SchemasPath = ""
	c.CreateHooks = nil
	c.Components.Schemas = contract.Registry()
	return c
}

// OpenAPI is the contract the program publishes, as JSON.
func OpenAPI() ([]byte, error) {
	r := chi.NewRouter()
	s := &server{}
	api := humachi.New(r, apiConfig())
	s.register(api)
	return api.OpenAPI().MarshalJSON()
}

func (s *server) register(api huma.API) {
	s.registerMeta(api)
	s.registerHousehold(api)
	s.registerOrchards(api)
	s.registerPlace(api)
	s.registerTrees(api)
	s.registerLimbs(api)
	s.registerSlip(api)
	s.registerTraining(api)
	s.registerSheet(api)
	s.registerHelper(api)
	s.registerWeather(api)
	s.registerDays(api)
	s.registerSeason(api)
	s.registerDiagnose(api)
	s.registerYardLight(api)
	s.registerFruit(api)
	s.registerJournal(api)
	s.registerPlan(api)
	s.registerCalendar(api)
}

// op registers an operation and maps its errors to problems.
func op[I, O any](api huma.API, method, path, id, summary string, run func(context.Context, *I) (*O, error), limits ...int64) {
	o := huma.Operation{OperationID: id, Method: method, Path: path, Summary: summary, MaxBodyBytes: maxBody, Errors: refusalsOf(method, path)}
	if len(limits) > 0 {
		o.MaxBodyBytes = limits[0]
	}
	huma.Register(api, o, func(ctx context.Context, in *I) (*O, error) {
		if fs := notNumbers(reflect.ValueOf(in).Elem()); len(fs) > 0 {
			return nil, refused(fs)
		}
		out, err := run(ctx, in)
		if err == nil {
			return out, nil
		}
		told := asProblem(err, speakerFor(ctx, *in))
		if _, refused := told.(*Problem); !refused { // ours, not the person's
			faultIn(ctx, id, err)
		}
		return nil, told
	})
}

// notNumbers tells numbers asked for that are none: no bound of the contract holds them.
func notNumbers(in reflect.Value) (fs given.Faults) {
	for i := range in.NumField() {
		f := in.Type().Field(i)
		switch name := f.Tag.Get("query"); {
		case f.Anonymous && in.Field(i).Kind() == reflect.Struct:
			fs = append(fs, notNumbers(in.Field(i))...)
		case name != "" && f.Type.Kind() == reflect.Float64 && (math.IsNaN(in.Field(i).Float()) || math.IsInf(in.Field(i).Float(), 0)):
			fs.Add("no_number", name, fmt.Sprint(in.Field(i).Float()), "a number")
		}
	}
	return fs
}

// refusalsOf are the answers an operation has for what it does not take: what is not there, what clashes with what stands, what cannot be.
func refusalsOf(method, path string) []int {
	var out []int
	if strings.Contains(path, "{") {
		out = append(out, http.StatusNotFound)
	}
	if method != http.MethodGet || strings.Contains(path, "{slug}") { // a plan needs a place
		out = append(out, http.StatusConflict)
	}
	if strings.HasPrefix(path, helpPath) { // a link that is closed
		out = append(out, http.StatusGone)
	}
	return append(out, http.StatusUnprocessableEntity)
}

// slugged is an input that names an orchard.
type slugged interface{ slug() string }

func (in SlugInput) slug() string { return in.Slug }

// unitsKey is where a request keeps how an orchard's units are found.
type unitsKey struct{}

// speaking lets refusals be told in the units of the orchard they are about.
func (s *server) speaking(next http.Handler) http.Handler {
	of := func(ctx context.Context, slug string) words.Speaker {
		o, err := s.Store.Orchard(ctx, slug)
		if err != nil { // then there is nothing to tell of it
			return words.Speaker{}
		}
		return words.Speaker{Units: words.Units(o.Units)}
	}
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		next.ServeHTTP(w, r.WithContext(context.WithValue(r.Context(), unitsKey{}, of)))
	})
}

// speakerFor speaks to the people of the orchard that an input names.
func speakerFor(ctx context.Context, in any) words.Speaker {
	of, known := ctx.Value(unitsKey{}).(func(context.Context, string) words.Speaker)
	about, named := in.(slugged)
	if !known || !named {
		return words.Speaker{}
	}
	return of(ctx, about.slug())
}

// inOrchard registers an operation on one orchard.
func inOrchard[I slugged, O any](s *server, api huma.API, method, path, id, summary string, run func(context.Context, *store.Orchard, *I) (*O, error)) {
	op(api, method, path, id, summary, func(ctx context.Context, in *I) (*O, error) {
		o, err := s.Store.Orchard(ctx, (*in).slug())
		if err != nil {
			return nil, err
		}
		return run(ctx, o, in)
	})
}

// heavy are the pages that are worked out from limbs: they take turns, so that a crowd waits and does not eat the machine.
var heavy = regexp.MustCompile(`^/api/orchards/[^/]+/(light|crop|trees/[^/]+/(fruit|map/slip))`)

// inTurn lets two heavy pages a processor be made at once.
func inTurn() func(http.Handler) http.Handler {
	turns := make(chan struct{}, 2*runtime.GOMAXPROCS(0))
	return func(next http.Handler) http.Handler {
		return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
			if !heavy.MatchString(r.URL.Path) {
				next.ServeHTTP(w, r)
				return
			}
			select {
			case turns <- struct{}{}:
				defer func() { <-turns }()
				next.ServeHTTP(w, r)
			case <-r.Context().Done(): // the client left
			}
		})
	}
}

// secure sets the headers that keep other pages out.
func secure(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		h := w.Header()
		h.Set("Content-Security-Policy", "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; object-src 'none'; base-uri 'none'; frame-ancestors 'none'")
		h.Set("X-Content-Type-Options", "nosniff")
		h.Set("Referrer-Policy", "same-origin")
		next.ServeHTTP(w, r)
	})
}

// onlyOurHosts answers only names of this machine and the public address, so that no foreign page reaches us by a name
// of its own.
func (s *server) onlyOurHosts(next http.Handler) http.Handler {
	public := ""
	if u, err := url.Parse(s.PublicURL); err == nil {
		public = u.Hostname()
	}
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		host := r.Host
		if h, _, err := net.SplitHostPort(r.Host); err == nil {
			host = h
		}
		ip := net.ParseIP(host)
		if host != "localhost" && host != "" && (ip == nil || !ip.IsLoopback()) && (public == "" || host != public) && !slices.Contains(s.Household.Hosts, strings.ToLower(host)) {
			http.Error(w, "host: "+host+" given, an address of this machine expected", http.StatusForbidden)
			return
		}
		next.ServeHTTP(w, r)
	})
}
