package api

import (
	"context"
	"encoding/json"
	"net"
	"net/http"
	"regexp"
	"strings"
	"time"

	"github.com/alexedwards/scs/v2"
	"github.com/danielgtaylor/huma/v2"
	"github.com/go-chi/httprate"

	"vertumna/core/given"
	"vertumna/store"
)

// Household is how the program is reached by more than this machine.
type Household struct {
	Hosts  []string // names and addresses it is reached under besides those of this machine
	TLS    bool     // served over TLS: cookies are for it alone
	Beyond bool     // it listens beyond this machine: nobody enters without a passphrase
}

// AccessBody is who one is to the program.
type AccessBody struct {
	Guarded bool   `json:"guarded" doc:"a passphrase is asked for"`
	Helpers bool   `json:"helpers" doc:"helpers have one too"`
	Role    string `json:"role" enum:",owner,helper" doc:"empty: not signed in"`
	Here    bool   `json:"here" doc:"this request came from the machine the program runs on"`
}

// PassphraseInput carries a passphrase.
type PassphraseInput struct {
	Body struct {
		Passphrase string `json:"passphrase" minLength:"1" maxLength:"400"`
	}
}

// SetPassphraseInput sets that of a role.
type SetPassphraseInput struct {
	Role store.Role `path:"role" enum:"owner,helper"`
	PassphraseInput
}

// Wrong passphrases in a minute: from one address, and from all together.
const (
	triesOfOne = 10
	triesOfAll = 60
)

const stays = 90 * 24 * time.Hour // of a session

const signInPath = "/api/access/sign-in"

// guard keeps the program to the household.
type guard struct {
	Household
	store    *store.Store
	sessions *scs.SessionManager
	turn     chan struct{} // of who proves a passphrase: one at a time, it takes memory
}

func newGuard(h Household, s *store.Store) *guard {
	m := scs.New()
	m.Lifetime = stays
	m.Cookie.Name, m.Cookie.Path = "vertumna", "/"
	m.Cookie.HttpOnly, m.Cookie.Secure, m.Cookie.SameSite = true, h.TLS, http.SameSiteStrictMode
	m.Store = s.Sessions()
	return &guard{Household: h, store: s, sessions: m, turn: make(chan struct{}, 1)}
}

type hereKey struct{}

// open are the addresses that ask for no session: they carry a secret of their own, or tell nothing.
var openPaths = regexp.MustCompile(`^/(api/access(/sign-in)?|api/help/[^/]+(/answers)?|api/schemas/.*|readyz|livez|openapi.*|calendar/.*)$`)

// logs are what a helper may write: what was done and seen. A slip that is logged changes the map as the cuts did.
var logs = regexp.MustCompile(`^/api/(access/sign-out|orchards/[^/]+/(entries(/[^/]+)?|trees/[^/]+/(map/slip/(choices|log)|fruit/(taps|passes)|training/(devices|choice|bend))))$`)

// ownersOnly are what a helper does not read: files with everything, and who else was asked.
var ownersOnly = regexp.MustCompile(`^/api/(archive|orchards/[^/]+/(archive|calendar|helpers|trees/[^/]+/helpers.*))$`)

// protect lets in who is signed in, once a passphrase is set.
func (g *guard) protect(next http.Handler) http.Handler {
	inner := http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		r = r.WithContext(context.WithValue(r.Context(), hereKey{}, fromHere(r)))
		path := r.URL.Path
		if !strings.HasPrefix(path, "/api/") || openPaths.MatchString(path) {
			next.ServeHTTP(w, r)
			return
		}
		set, err := g.store.Guarded(r.Context())
		switch role := g.role(r.Context(), set); {
		case err != nil:
			refuse(w, problem(http.StatusInternalServerError, "something went wrong here; nothing was changed"))
		case g.Beyond && len(set) == 0:
			refuse(w, problem(http.StatusForbidden, "No passphrase is set: set one on the machine Vertumna runs on, by 'vertumna passphrase'."))
		case role == "":
			refuse(w, problem(http.StatusUnauthorized, "Sign in with the passphrase of the household."))
		case role == store.Helper && (ownersOnly.MatchString(path) || !reads(r.Method) && !logs.MatchString(path)):
			refuse(w, problem(http.StatusForbidden, "A helper sees and logs; this is for an owner to change. Nothing was changed."))
		default:
			next.ServeHTTP(w, r)
		}
	})
	return g.sessions.LoadAndSave(inner)
}

func reads(method string) bool { return method == http.MethodGet || method == http.MethodHead }

// role of who asks: an owner where nothing is guarded.
func (g *guard) role(ctx context.Context, set map[store.Role]bool) store.Role {
	if len(set) == 0 {
		return store.Owner
	}
	return store.Role(g.sessions.GetString(ctx, "role"))
}

// fromHere says whether a request came from this machine itself.
func fromHere(r *http.Request) bool {
	host, _, err := net.SplitHostPort(r.RemoteAddr)
	ip := net.ParseIP(host)
	return err == nil && ip != nil && ip.IsLoopback() && r.Header.Get("X-Forwarded-For") == "" && r.Header.Get("Forwarded") == ""
}

func refuse(w http.ResponseWriter, p *Problem) {
	w.Header().Set("Content-Type", "application/problem+json")
	w.WriteHeader(p.Status)
	_ = json.NewEncoder(w).Encode(p)
}

// slowly bounds how often a passphrase is tried.
func slowly(next http.Handler) http.Handler {
	late := httprate.WithLimitHandler(func(w http.ResponseWriter, _ *http.Request) {
		refuse(w, problem(http.StatusTooManyRequests, "Too many tries: wait a minute, then try again."))
	})
	one := httprate.LimitBy(triesOfOne, time.Minute, func(r *http.Request) (string, error) {
		host, _, err := net.SplitHostPort(r.RemoteAddr)
		return host, err
	}, late)
	all := httprate.LimitBy(triesOfAll, time.Minute, httprate.Key("*"), late)
	limited := one(all(next))
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if r.URL.Path == signInPath || r.Method == http.MethodPut && strings.HasPrefix(r.URL.Path, "/api/access/") {
			limited.ServeHTTP(w, r)
			return
		}
		next.ServeHTTP(w, r)
	})
}

func (s *server) registerHousehold(api huma.API) {
	op(api, http.MethodGet, "/api/access", "get-access", "Who one is to the program", func(ctx context.Context, _ *struct{}) (*one[AccessBody], error) {
		return told(s.guard.access(ctx))
	})
	op(api, http.MethodPost, signInPath, "sign-in", "Sign in with the passphrase of the household", func(ctx context.Context, in *PassphraseInput) (*one[AccessBody], error) {
		if err := s.guard.signIn(ctx, in.Body.Passphrase); err != nil {
			return nil, err
		}
		return told(s.guard.access(ctx))
	})
	op(api, http.MethodPost, "/api/access/sign-out", "sign-out", "Sign out on this device", func(ctx context.Context, _ *struct{}) (*struct{}, error) {
		return nil, s.guard.sessions.Destroy(ctx)
	})
	op(api, http.MethodPost, "/api/access/sign-out-everywhere", "sign-out-everywhere", "Sign everybody out", func(ctx context.Context, _ *struct{}) (*struct{}, error) {
		if err := s.guard.sessions.Destroy(ctx); err != nil {
			return nil, err
		}
		return nil, s.Store.SignOutAll(ctx)
	})
	op(api, http.MethodPut, "/api/access/passphrases/{role}", "set-passphrase", "Set a passphrase, on the machine the program runs on; everybody signs in anew", func(ctx context.Context, in *SetPassphraseInput) (*struct{}, error) {
		return nil, s.guard.set(ctx, in.Role, in.Body.Passphrase)
	})
}

func (g *guard) access(ctx context.Context) (AccessBody, error) {
	set, err := g.store.Guarded(ctx)
	here, _ := ctx.Value(hereKey{}).(bool)
	return AccessBody{Guarded: len(set) > 0 || g.Beyond, Helpers: set[store.Helper], Role: string(g.role(ctx, set)), Here: here}, err
}

func (g *guard) signIn(ctx context.Context, passphrase string) error {
	select {
	case g.turn <- struct{}{}:
		defer func() { <-g.turn }()
	case <-ctx.Done():
		return ctx.Err()
	}
	role, err := g.store.RoleOf(ctx, passphrase)
	if err != nil {
		return err
	}
	if err := g.store.ForgetSessions(ctx); err != nil {
		return err
	}
	if role == "" {
		return problem(http.StatusUnauthorized, "That is not the passphrase.", given.Fault{Code: "wrong_passphrase", Field: "passphrase", Given: "another", Expected: "the passphrase of the household; a lost one is set anew on the machine Vertumna runs on"})
	}
	if err := g.sessions.RenewToken(ctx); err != nil {
		return err
	}
	g.sessions.Put(ctx, "role", string(role))
	return nil
}

// set sets a passphrase: the first is that of an owner, and only this machine sets one.
func (g *guard) set(ctx context.Context, r store.Role, passphrase string) error {
	set, err := g.store.Guarded(ctx)
	if err != nil {
		return err
	}
	if here, _ := ctx.Value(hereKey{}).(bool); !here {
		return problem(http.StatusForbidden, "A passphrase is set on the machine Vertumna runs on, and nowhere else.")
	}
	if r == store.Helper && !set[store.Owner] {
		return given.Fault{Code: "owner_first", Field: "role", Given: "helper", Expected: "the owner's passphrase first"}
	}
	if err := g.store.SetPassphrase(ctx, r, passphrase); err != nil {
		return err
	}
	if err := g.sessions.RenewToken(ctx); err != nil {
		return err
	}
	g.sessions.Put(ctx, "role", string(store.Owner)) // who sets it stays in
	return nil
}
