package api

import (
	"context"
	"net/http"
	"time"

	"github.com/danielgtaylor/huma/v2"
	"github.com/go-chi/chi/v5"

	"vertumna/exchange"
	"vertumna/store"
	"vertumna/words"
)

// CalendarBody tells of the address a calendar program subscribes to.
type CalendarBody struct {
	Address string     `json:"address,omitempty" doc:"told once, when it is made: only a proof of it is kept"`
	Made    *time.Time `json:"made,omitempty" doc:"when the address in force was made; none: there is none"`
}

// HostInput carries the address the request came to.
type HostInput struct {
	SlugInput
	host string
}

// Resolve takes the address from the request.
func (in *HostInput) Resolve(ctx huma.Context) []error {
	in.host = ctx.Host()
	return nil
}

func (s *server) registerCalendar(api huma.API) {
	const base = "/api/orchards/{slug}/calendar"
	inOrchard(s, api, http.MethodGet, base, "get-calendar", "Whether there is a subscription address", func(ctx context.Context, o *store.Orchard, _ *SlugInput) (*one[CalendarBody], error) {
		return s.calendarMade(ctx, o, "")
	})
	inOrchard(s, api, http.MethodPost, base, "new-calendar", "A new subscription address; the one before is closed", func(ctx context.Context, o *store.Orchard, in *HostInput) (*one[CalendarBody], error) {
		token, err := s.Store.NewCalendarToken(ctx, o.ID)
		if err != nil {
			return nil, err
		}
		return s.calendarMade(ctx, o, s.base(in.host)+"/calendar/"+token+".ics")
	})
	inOrchard(s, api, http.MethodDelete, base, "withdraw-calendar", "Close the subscription address", func(ctx context.Context, o *store.Orchard, in *SlugInput) (*struct{}, error) {
		return nil, s.Store.WithdrawCalendarToken(ctx, o.ID)
	})
}

func (s *server) calendarMade(ctx context.Context, o *store.Orchard, address string) (*one[CalendarBody], error) {
	made, err := s.Store.CalendarMade(ctx, o.ID)
	if err != nil {
		return nil, err
	}
	out := CalendarBody{Address: address}
	if !made.IsZero() {
		out.Made = &made
	}
	return &one[CalendarBody]{out}, nil
}

func (s *server) downloadCalendar(w http.ResponseWriter, r *http.Request) {
	slug := chi.URLParam(r, "slug")
	w.Header().Set("Content-Disposition", `attachment; filename="`+slug+`.ics"`)
	s.writeCalendar(w, r, slug)
}

func (s *server) subscribedCalendar(w http.ResponseWriter, r *http.Request) {
	o, err := s.Store.OrchardByToken(r.Context(), chi.URLParam(r, "token"))
	if err != nil {
		http.Error(w, "this calendar address is closed", http.StatusNotFound)
		return
	}
	s.writeCalendar(w, r, o.Slug)
}

func (s *server) writeCalendar(w http.ResponseWriter, r *http.Request, slug string) {
	p, err := s.Keeper.Plan(r.Context(), slug, s.Today())
	if err != nil {
		w.Header().Del("Content-Disposition")
		http.Error(w, asProblem(err, words.Speaker{}).Error(), http.StatusNotFound)
		return
	}
	w.Header().Set("Content-Type", "text/calendar; charset=utf-8")
	_, _ = w.Write([]byte(exchange.Calendar(p.Contents.Orchard.Name, p.Plans, p.Days, p.Speaker, s.Now(), p.Contents.Orchard.MadeOn())))
}
