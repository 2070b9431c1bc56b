// Package web carries the built screens inside the program and serves them.
package web

import (
	"crypto/sha256"
	"embed"
	"encoding/hex"
	"io"
	"io/fs"
	"mime"
	"net/http"
	"path"
	"strings"
)

//go:embed all:dist
var dist embed.FS

// Handler serves the built screens: assets for good, the rest checked each time, and the application for every other
// address.
func Handler() http.Handler {
	_ = mime.AddExtensionType(".woff2", "font/woff2")
	_ = mime.AddExtensionType(".webmanifest", "application/manifest+json")
	files, err := fs.Sub(dist, "dist")
	if err != nil {
		panic(err)
	}
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		name := strings.TrimPrefix(path.Clean(r.URL.Path), "/")
		asset := strings.HasPrefix(name, "assets/")
		if strings.HasPrefix(name, "api/") {
			w.Header().Set("Content-Type", "application/problem+json")
			w.WriteHeader(http.StatusNotFound)
			_, _ = io.WriteString(w, `{"type":"about:blank","title":"Not Found","status":404,"detail":"there is nothing of that name"}`)
			return
		}
		body, err := fs.ReadFile(files, name)
		if err != nil {
			if asset {
				http.NotFound(w, r)
				return
			}
			name = "index.html"
			if body, err = fs.ReadFile(files, name); err != nil {
				http.Error(w, "the screens are not built: run make build", http.StatusNotFound)
				return
			}
		}
		sum := sha256.Sum256(body)
		etag := `"` + hex.EncodeToString(sum[:12]) + `"`
		h := w.Header()
		h.Set("ETag", etag)
		h.Set("Cache-Control", "no-cache")
		if asset {
			h.Set("Cache-Control", "public, max-age=31536000, immutable")
		}
		if r.Header.Get("If-None-Match") == etag {
			w.WriteHeader(http.StatusNotModified)
			return
		}
		if t := mime.TypeByExtension(path.Ext(name)); t != "" {
			h.Set("Content-Type", t)
		}
		_, _ = w.Write(body)
	})
}
