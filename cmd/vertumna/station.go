package main

import (
	"context"
	"errors"
	"fmt"
	"log/slog"
	"net"
	"net/http"
	"time"

	"github.com/spf13/cobra"

	"vertumna/core/almanac"
	"vertumna/orchard"
	"vertumna/station"
	"vertumna/weather"
)

const (
	stationListen = "127.0.0.1:8480"
	stationSlow   = 30 * time.Second // of a station that plays a slow one
	askOften      = 15 * time.Minute // how often a station is asked
)

// stationCommand serves the simulated weather station by itself.
func stationCommand() *cobra.Command {
	s, story := &serving{}, false
	c := &cobra.Command{
		Use: "station", Short: "Serve the simulated weather station", Args: cobra.NoArgs,
		Long: "Serve the simulated weather station: made-up days of any place by its climate, and a forecast of fourteen days.",
		RunE: func(c *cobra.Command, _ []string) error {
			today, err := s.clock()
			if err != nil {
				return err
			}
			if beyond, err := beyondHere(s.listen); err != nil || beyond {
				return errors.Join(err, fmt.Errorf("--listen: %q given, a loopback address expected: the station is for this machine", s.listen))
			}
			l, err := listen(s.listen)
			if err != nil {
				return err
			}
			fmt.Printf("The weather station is ready at http://%s. Stop with Ctrl-C.\n", l.Addr())
			var shape station.Shape
			if story {
				shape = station.Story()
			}
			return serveStation(c.Context(), l, today, shape)
		},
	}
	c.Flags().StringVar(&s.listen, "listen", stationListen, "address to listen on; loopback only")
	c.Flags().StringVar(&s.today, "today", "", "take this day (YYYY-MM-DD) for today")
	c.Flags().BoolVar(&story, "story", false, "tell the demo's year: a frost in bloom, a storm in June, a dry May")
	return c
}

func serveStation(ctx context.Context, l net.Listener, today func() almanac.Day, shape station.Shape) error {
	srv := &http.Server{Handler: station.Handler(today, stationSlow, shape), ReadHeaderTimeout: 5 * time.Second}
	go func() {
		<-ctx.Done()
		_ = srv.Close()
	}()
	if err := srv.Serve(l); !errors.Is(err, http.ErrServerClosed) {
		return err
	}
	return nil
}

// stationOf is the station that is asked: the one named, the demo's own where none is, nil for none.
func (s *serving) stationOf(ctx context.Context, today func() almanac.Day) (orchard.Station, error) {
	base := s.station
	switch {
	case base == "off" || base == "" && !s.isDemo:
		return nil, nil
	case base == "":
		l, err := net.Listen("tcp", "127.0.0.1:0")
		if err != nil {
			return nil, err
		}
		base = "http://" + l.Addr().String()
		go func() { _ = serveStation(ctx, l, today, station.Story()) }()
	}
	return weather.New(base, weather.Settings{})
}

// askStation asks a station at once and then now and then.
func askStation(ctx context.Context, k *orchard.Keeper, st orchard.Station, log *slog.Logger) {
	often := time.NewTicker(askOften)
	defer often.Stop()
	for {
		if err := k.UpdateWeather(ctx, st); err != nil && ctx.Err() == nil {
			log.Error("weather not written down", "cause", err)
		}
		select {
		case <-ctx.Done():
			return
		case <-often.C:
		}
	}
}
