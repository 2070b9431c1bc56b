package api

import (
	"context"
	"fmt"
	"net/http"
	"net/url"
	"strconv"
	"strings"

	"github.com/go-chi/chi/v5"

	"vertumna/core/almanac"
	"vertumna/core/given"
	"vertumna/core/limb"
	"vertumna/orchard"
	"vertumna/paper"
	"vertumna/store"
	"vertumna/words"
)

// printing is a request for paper.
type printing struct {
	slug string
	day  almanac.Day
	size string
	base string // of the program's address, for the square codes
}

func (s *server) printing(r *http.Request) (*printing, *store.Orchard, error) {
	q := r.URL.Query()
	day, err := dayOf(q.Get("day"))
	if err != nil {
		return nil, nil, err
	}
	if !day.Known() {
		day = s.Today()
	}
	p := &printing{slug: chi.URLParam(r, "slug"), day: day, size: strings.ToLower(q.Get("size")), base: s.base(r.Host)}
	if p.size == "" {
		p.size = paper.A4
	}
	if err := paper.CheckSize(p.size); err != nil {
		return nil, nil, err
	}
	o, err := s.Store.Orchard(r.Context(), p.slug)
	return p, o, err
}

// base is the address the program is reached under, of the one it was asked under.
func (s *server) base(host string) string {
	switch base := strings.TrimRight(s.PublicURL, "/"); {
	case base != "":
		return base
	case s.Household.TLS:
		return "https://" + host
	}
	return "http://" + host
}

// page gathers what is printed of a tree. Error: given.Fault where it has no map.
func (s *server) page(ctx context.Context, p *printing, o *store.Orchard, tree string, season limb.Season, marks []orchard.BodyMarkBody) (*paper.Tree, error) {
	at := orchard.At{Slug: p.slug, Tree: tree, Day: p.day}
	b, err := s.Keeper.Bench(ctx, at, orchard.Ahead{})
	if err != nil {
		return nil, err
	}
	if !b.Mapped {
		return nil, given.Fault{Code: "no_map", Field: "tree", Given: b.Tree.Code + " without a map", Expected: "a tree with a map: there are no steps to print"}
	}
	slip, err := s.Keeper.Slip(ctx, orchard.SlipAt{At: at, Season: season})
	if err != nil {
		return nil, err
	}
	address := fmt.Sprintf("%s/%s/sheet/%s?day=%s&map=%d", p.base, url.PathEscape(p.slug), url.PathEscape(tree), p.day, slip.Revision)
	return &paper.Tree{Orchard: o.Name, Address: address, Bench: b, Slip: slip, Marks: marks}, nil
}

// printTree is the page of one tree.
func (s *server) printTree(w http.ResponseWriter, r *http.Request) {
	p, o, err := s.printing(r)
	if err != nil {
		answerProblem(w, err)
		return
	}
	sheet, err := s.Keeper.Sheet(r.Context(), p.slug, p.day, 0)
	if err != nil {
		answerProblem(w, err)
		return
	}
	t, err := s.page(r.Context(), p, o, chi.URLParam(r, "id"), limb.Season(r.URL.Query().Get("season")), sheet.Marks)
	if err != nil {
		answerProblem(w, err)
		return
	}
	out, err := paper.Slips(p.size, o.Units, p.day, nil, []paper.Tree{*t})
	answerPDF(w, "slip-"+t.Bench.Tree.Code+"-"+p.day.String(), out, err)
}

// printWalk is the day's walk, and a page for each of its trees with a slip.
func (s *server) printWalk(w http.ResponseWriter, r *http.Request) {
	p, o, err := s.printing(r)
	if err != nil {
		answerProblem(w, err)
		return
	}
	minutes := 0.0
	if text := r.URL.Query().Get("minutes"); text != "" {
		if minutes, err = strconv.ParseFloat(text, 64); err != nil || !(minutes >= 0 && minutes <= 1440) {
			answerProblem(w, given.Fault{Code: "bad_minutes", Field: "minutes", Given: text, Expected: "0 to 1440"})
			return
		}
	}
	sheet, err := s.Keeper.Sheet(r.Context(), p.slug, p.day, minutes)
	if err != nil {
		answerProblem(w, err)
		return
	}
	var trees []paper.Tree
	for i := range sheet.Stops {
		stop := &sheet.Stops[i]
		cuts := false
		for _, j := range stop.Jobs {
			cuts = cuts || j.Slip
		}
		if !cuts {
			continue
		}
		t, err := s.page(r.Context(), p, o, stop.TreeID, "", sheet.Marks)
		if err != nil {
			answerProblem(w, err)
			return
		}
		if len(t.Slip.Steps) > 0 && !t.Slip.Predicted {
			trees = append(trees, *t)
		}
	}
	out, err := paper.Slips(p.size, o.Units, p.day, &paper.Walk{Orchard: o.Name, Sheet: sheet}, trees)
	answerPDF(w, "walk-"+p.day.String(), out, err)
}

// printGauge is the ring gauge for the size of fruit.
func (s *server) printGauge(w http.ResponseWriter, r *http.Request) {
	p, o, err := s.printing(r)
	if err != nil {
		answerProblem(w, err)
		return
	}
	out, err := paper.Gauge(p.size, o.Units, p.day)
	answerPDF(w, "ring-gauge", out, err)
}

func answerPDF(w http.ResponseWriter, name string, body []byte, err error) {
	if err != nil {
		answerProblem(w, err)
		return
	}
	w.Header().Set("Content-Type", "application/pdf")
	w.Header().Set("Content-Disposition", fmt.Sprintf("inline; filename=%q", name+".pdf"))
	_, _ = w.Write(body)
}

// answerProblem tells an error as a problem document, where no contract does it.
func answerProblem(w http.ResponseWriter, err error) {
	p, ok := asProblem(err, words.Speaker{}).(*Problem)
	if !ok {
		p = problem(http.StatusInternalServerError, "something went wrong here; nothing was changed")
	}
	refuse(w, p)
}
