package main

import (
	"context"
	"crypto/tls"
	"errors"
	"fmt"
	"log/slog"
	"net"
	"net/http"
	"os"
	"path/filepath"
	"runtime/debug"
	"strings"
	"sync"
	"syscall"
	"time"

	"github.com/spf13/cobra"

	"vertumna/api"
	"vertumna/core/almanac"
	"vertumna/demo"
	"vertumna/orchard"
	"vertumna/store"
	"vertumna/web"
)

const defaultListen = "127.0.0.1:8475"

// serving is what demo and serve share.
type serving struct {
	db, listen, publicURL, today string
	cert, key, station           string
	quiet                        bool
	logFormat                    string
	isDemo, fresh                bool
	ready                        func(address string) // told where it listens; nil: it is printed
}

func (s *serving) flags(c *cobra.Command) {
	c.Flags().StringVar(&s.listen, "listen", defaultListen, "address to listen on; beyond this machine only over TLS, and once a passphrase is set")
	c.Flags().StringVar(&s.cert, "cert", "", "your own certificate for TLS (PEM); beyond this machine one is made where none is given")
	c.Flags().StringVar(&s.key, "key", "", "its key (PEM)")
	c.Flags().StringVar(&s.station, "station", "", "address of a weather station; off: none. The demo has one of its own")
	c.Flags().StringVar(&s.publicURL, "public-url", "", "base of the calendar address, where it differs from the one listened on")
	c.Flags().StringVar(&s.today, "today", "", "take this day (YYYY-MM-DD) for today")
	c.Flags().BoolVar(&s.quiet, "quiet", false, "no line for each request; faults are told all the same")
	c.Flags().StringVar(&s.logFormat, "log-format", "text", "of the log on standard error: text or json")
}

func serveCommand() *cobra.Command {
	s := &serving{}
	c := &cobra.Command{
		Use: "serve --db FILE", Short: "Serve the application with the orchards of a file", Args: cobra.NoArgs,
		RunE: func(c *cobra.Command, _ []string) error { return s.run(c.Context(), nil) },
	}
	c.Flags().StringVar(&s.db, "db", "", "database file; made when it does not exist")
	_ = c.MarkFlagRequired("db")
	s.flags(c)
	return c
}

func demoCommand() *cobra.Command {
	s := &serving{isDemo: true}
	fresh := false
	c := &cobra.Command{
		Use: "demo", Short: "Serve the application with two made-up orchards", Args: cobra.NoArgs,
		Long: "Serve the application with two made-up orchards in a database of their own, kept until --fresh.",
		RunE: func(c *cobra.Command, _ []string) error {
			if s.db == "" {
				file, err := demoFile()
				if err != nil {
					return err
				}
				s.db = file
			}
			s.fresh = fresh
			return s.run(c.Context(), fillDemo)
		},
	}
	c.Flags().StringVar(&s.db, "db", "", "database file of the demo (default: in the user's cache folder)")
	c.Flags().BoolVar(&fresh, "fresh", false, "start the demo anew")
	s.flags(c)
	return c
}

// demoFile is the demo's own, in the user's cache folder.
func demoFile() (string, error) {
	dir, err := os.UserCacheDir()
	if err != nil {
		dir = os.TempDir()
	}
	file := filepath.Join(dir, "vertumna", "demo.db")
	return file, os.MkdirAll(filepath.Dir(file), 0o755)
}

func fillDemo(ctx context.Context, st *store.Store, k *orchard.Keeper, today almanac.Day) error {
	all, err := st.Orchards(ctx)
	if err != nil || len(all) > 0 {
		return err
	}
	if err := makeDemo(ctx, st, k, today); err != nil {
		return err
	}
	return st.MarkDemo(ctx)
}

// makeDemo writes the demo orchards with their slips, so that they open at once.
func makeDemo(ctx context.Context, st *store.Store, k *orchard.Keeper, today almanac.Day) error {
	if err := demo.Fill(ctx, st, today); err != nil {
		return err
	}
	if err := k.MakeSlips(ctx); err != nil {
		return err
	}
	return demo.AskHelper(ctx, k, today, time.Now())
}

// clock gives the person's day: the fixed one, else the date here and now.
func (s *serving) clock() (func() almanac.Day, error) {
	if s.today != "" {
		d, err := almanac.ParseDay(s.today)
		if err != nil {
			return nil, fmt.Errorf("--today: %w", err)
		}
		return func() almanac.Day { return d }, nil
	}
	return func() almanac.Day {
		y, m, d := time.Now().Date()
		return almanac.DateOf(y, int(m), d)
	}, nil
}

// Memory is given back less often than a program would by itself, while there is enough: plans make and drop much of it.
const (
	collectAt   = 400       // percent of what is alive; GOGC overrules it
	enoughBytes = 512 << 20 // from here on as often as it takes; GOMEMLIMIT overrules it
)

func easeMemory() {
	if os.Getenv("GOGC") == "" {
		debug.SetGCPercent(collectAt)
	}
	if os.Getenv("GOMEMLIMIT") == "" {
		debug.SetMemoryLimit(enoughBytes)
	}
}

func (s *serving) run(ctx context.Context, fill func(context.Context, *store.Store, *orchard.Keeper, almanac.Day) error) error {
	easeMemory()
	today, err := s.clock()
	if err != nil {
		return err
	}
	log, err := s.log()
	if err != nil {
		return err
	}
	beyond, err := beyondHere(s.listen)
	if err != nil {
		return err
	}
	l, err := listen(s.listen)
	if err != nil {
		return err
	}
	if s.fresh { // once the address is held, so that nothing goes that cannot come back
		err = store.RemoveDemo(ctx, s.db)
	}
	var st *store.Store
	if err == nil {
		st, err = store.Open(ctx, s.db)
	}
	if err != nil {
		_ = l.Close()
		return err
	}
	defer func() { _ = st.Close() }()
	home := api.Household{Beyond: beyond}
	scheme := "http"
	if beyond || s.cert != "" || s.key != "" {
		c, err := s.household(ctx, st, &home)
		if err != nil {
			_ = l.Close()
			return err
		}
		scheme, l = "https", tls.NewListener(l, c.config())
	}
	k := orchard.NewKeeper(st, today, log)
	if fill != nil {
		if err := fill(ctx, st, k, today()); err != nil {
			return err
		}
	}
	beside := sync.WaitGroup{} // what works beside the requests; the store closes after it
	ctx, stop := context.WithCancel(ctx)
	defer beside.Wait()
	defer stop()
	sky, err := s.stationOf(ctx, today)
	if err != nil {
		_ = l.Close()
		return err
	}
	h := api.New(api.Config{
		Store: st, Keeper: k, Today: today, Now: time.Now, PublicURL: s.publicURL, Web: web.Handler(), Log: log, Demo: s.isDemo,
		Household: home, Station: sky,
		OpenDemo: s.openDemo(ctx, &beside, func(ctx context.Context) error { return makeDemo(ctx, st, k, today()) }),
	})
	srv := &http.Server{Handler: h, ReadHeaderTimeout: 5 * time.Second, ReadTimeout: time.Minute, IdleTimeout: 2 * time.Minute, ErrorLog: slog.NewLogLogger(log.Handler(), slog.LevelInfo)}
	beside.Go(func() { remember(ctx, k, log) })
	if sky != nil {
		beside.Go(func() { askStation(ctx, k, sky, log) })
	}
	stopped := make(chan error, 1)
	go func() {
		<-ctx.Done()
		end, cancel := context.WithTimeout(context.Background(), patience)
		defer cancel()
		stopped <- srv.Shutdown(end)
	}()
	if s.ready != nil {
		s.ready(scheme + "://" + l.Addr().String())
	} else {
		fmt.Printf("Vertumna is ready at %s://%s\nIts data is in %s. Stop with Ctrl-C.\n", scheme, l.Addr(), s.db)
	}
	if err := srv.Serve(l); !errors.Is(err, http.ErrServerClosed) {
		return err
	}
	err = <-stopped // the store stays open for requests in flight
	beside.Wait()
	return errors.Join(err, k.SaveAmounts(context.WithoutCancel(ctx)))
}

// openDemo opens the made-up orchards: in the demo's own program where it stands, else beside it, from a file of their own, so that no
// made-up tree ever comes into a person's file. nil beyond this machine.
func (s *serving) openDemo(ctx context.Context, beside *sync.WaitGroup, here func(context.Context) error) func(context.Context) (api.DemoBody, error) {
	if s.isDemo {
		return func(ctx context.Context) (api.DemoBody, error) { return api.DemoBody{Slug: demo.First}, here(ctx) }
	}
	if beyond, err := beyondHere(s.listen); err != nil || beyond {
		return nil
	}
	var mu sync.Mutex
	out := api.DemoBody{Slug: demo.First}
	return func(asked context.Context) (api.DemoBody, error) {
		mu.Lock()
		defer mu.Unlock()
		if out.Address != "" {
			return out, nil
		}
		passing := "" // a folder that goes with the program
		file, err := demoFile()
		if err == nil && store.NotInUse(asked, file) != nil { // another program has it open: this one has its own
			passing, err = os.MkdirTemp("", "vertumna-demo-")
			file = filepath.Join(passing, "demo.db")
		}
		if err != nil {
			return out, err
		}
		listens, over := make(chan string, 1), make(chan error, 1)
		d := &serving{isDemo: true, db: file, listen: "127.0.0.1:0", today: s.today, quiet: s.quiet, logFormat: s.logFormat, ready: func(a string) { listens <- a }}
		beside.Go(func() {
			over <- d.run(ctx, fillDemo)
			if passing != "" {
				_ = os.RemoveAll(passing)
			}
		})
		select {
		case out.Address = <-listens:
			return out, nil
		case err := <-over:
			return out, err
		case <-asked.Done():
			return out, asked.Err()
		}
	}
}

// remember writes down now and then what slips came to, so that little is made anew after a power cut.
func remember(ctx context.Context, k *orchard.Keeper, log *slog.Logger) {
	often := time.NewTicker(time.Minute)
	defer often.Stop()
	for {
		select {
		case <-ctx.Done():
			return
		case <-often.C:
			if err := k.SaveAmounts(ctx); err != nil && ctx.Err() == nil {
				log.Error("amounts not written down", "cause", err)
			}
		}
	}
}

// patience is how long a stop waits for requests in flight.
const patience = 20 * time.Second

// log is what the program tells on standard error.
func (s *serving) log() (*slog.Logger, error) {
	o := &slog.HandlerOptions{}
	if s.quiet {
		o.Level = slog.LevelWarn
	}
	switch s.logFormat {
	case "text":
		return slog.New(slog.NewTextHandler(os.Stderr, o)), nil
	case "json":
		return slog.New(slog.NewJSONHandler(os.Stderr, o)), nil
	}
	return nil, fmt.Errorf("--log-format: %q given, text or json expected", s.logFormat)
}

// household prepares for phones of the house: a passphrase must be set, and all goes over TLS.
func (s *serving) household(ctx context.Context, st *store.Store, home *api.Household) (*certificate, error) {
	set, err := st.Guarded(ctx)
	if err != nil {
		return nil, err
	}
	if home.Beyond && !set[store.Owner] {
		return nil, fmt.Errorf("--listen: %s reaches beyond this machine, and no passphrase is set; set one first: vertumna passphrase --db %s", s.listen, s.db)
	}
	names := ownNames()
	if host, _, _ := net.SplitHostPort(s.listen); host != "" && net.ParseIP(host) == nil {
		names = append(names, strings.ToLower(host))
	}
	c, err := certificateFor(s.db, s.cert, s.key, names, time.Now)
	if err != nil {
		return nil, err
	}
	home.Hosts, home.TLS = names, true
	if c.own {
		fmt.Printf("Its certificate is its own, in %s; the browser asks once. It is the right one with this SHA-256:\n%s\n", c.certFile, c.print())
	}
	return c, nil
}

// beyondHere says whether an address reaches beyond this machine.
func beyondHere(address string) (bool, error) {
	host, _, err := net.SplitHostPort(address)
	if err != nil {
		return false, fmt.Errorf("--listen: %q given, HOST:PORT expected, as %s", address, defaultListen)
	}
	ip := net.ParseIP(host)
	return host != "localhost" && (ip == nil || !ip.IsLoopback()), nil
}

// listen opens an address; one in use is told in words.
func listen(address string) (net.Listener, error) {
	l, err := net.Listen("tcp", address)
	if errors.Is(err, syscall.EADDRINUSE) {
		return nil, fmt.Errorf("--listen: %s is in use by another program; name a free port, as --listen 127.0.0.1:0 for any", address)
	}
	if err != nil {
		return nil, fmt.Errorf("--listen: %s: %w", address, err)
	}
	return l, nil
}
