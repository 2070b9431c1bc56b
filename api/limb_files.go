package api

import (
	"fmt"
	"net/http"

	"github.com/go-chi/chi/v5"

	"vertumna/exchange"
	"vertumna/orchard"
	"vertumna/words"
)

// limbFormats are the files a limb map is given out as.
var limbFormats = map[string]struct{ mime, end string }{
	"json": {"application/json", "json"}, "csv": {"text/csv; charset=utf-8", "csv"}, "mtg": {"text/plain; charset=utf-8", "mtg"}, "gltf": {"model/gltf+json", "gltf"},
}

// downloadLimbs writes a limb map as a file.
func (s *server) downloadLimbs(w http.ResponseWriter, r *http.Request) {
	format := chi.URLParam(r, "format")
	f, ok := limbFormats[format]
	if !ok {
		http.Error(w, "format: "+format+" given, json, csv, mtg or gltf expected", http.StatusNotFound)
		return
	}
	day, err := dayOf(r.URL.Query().Get("day"))
	var text []byte
	var name string
	if err == nil {
		text, name, err = s.Keeper.MapText(r.Context(), orchard.At{Slug: chi.URLParam(r, "slug"), Tree: chi.URLParam(r, "id"), Day: day}, format)
	}
	if err != nil {
		status := http.StatusInternalServerError
		if p, ok := asProblem(err, words.Speaker{}).(*Problem); ok {
			status = p.Status
		}
		http.Error(w, "no map of this tree on that day", status)
		return
	}
	w.Header().Set("Content-Type", f.mime)
	w.Header().Set("Content-Disposition", fmt.Sprintf(`attachment; filename="limbs-%s.%s"`, name, f.end))
	_, _ = w.Write(text)
}

func limbSchema(w http.ResponseWriter, _ *http.Request) {
	w.Header().Set("Content-Type", "application/schema+json")
	_, _ = w.Write(exchange.LimbMapSchema)
}
