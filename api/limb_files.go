package api

import (
	"bytes"
	"context"
	"fmt"
	"net/http"
	"strings"

	"github.com/go-chi/chi/v5"

	"vertumna/core/limb"
	"vertumna/exchange"
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
	in := BenchInput{IDInput: IDInput{SlugInput: SlugInput{Slug: chi.URLParam(r, "slug")}, ID: chi.URLParam(r, "id")}, Day: r.URL.Query().Get("day")}
	text, name, err := s.limbFile(r.Context(), &in, format)
	if err != nil {
		status := http.StatusInternalServerError
		if p, ok := asProblem(err).(*Problem); ok {
			status = p.Status
		}
		http.Error(w, "no map of this tree on that day", status)
		return
	}
	w.Header().Set("Content-Type", f.mime)
	w.Header().Set("Content-Disposition", fmt.Sprintf(`attachment; filename="limbs-%s.%s"`, name, f.end))
	_, _ = w.Write(text)
}

func (s *server) limbFile(ctx context.Context, in *BenchInput, format string) (text []byte, name string, err error) {
	b, kept, err := s.mapped(ctx, in)
	if err != nil {
		return nil, "", err
	}
	var out bytes.Buffer
	m, err := limb.Check(kept.Doc)
	if err != nil {
		return nil, "", err
	}
	switch format {
	case "csv":
		err = exchange.LimbsCSV(&out, kept.Doc)
	case "mtg":
		err = exchange.LimbsMTG(&out, m)
	case "gltf":
		err = exchange.LimbsGLTF(&out, strings.TrimSpace(b.tree.Code+" "+b.tree.Name), m)
	default:
		err = exchange.LimbsJSON(&out, kept.Doc)
	}
	return out.Bytes(), safeFileName(b.tree.Code), err
}

func safeFileName(s string) string {
	s = strings.Map(func(r rune) rune {
		if r >= 'a' && r <= 'z' || r >= 'A' && r <= 'Z' || r >= '0' && r <= '9' {
			return r
		}
		return '-'
	}, s)
	return strings.Trim(s, "-")
}

func limbSchema(w http.ResponseWriter, _ *http.Request) {
	w.Header().Set("Content-Type", "application/schema+json")
	_, _ = w.Write(exchange.LimbMapSchema)
}
