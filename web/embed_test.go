package web_test

import (
	"net/http"
	"net/http/httptest"
	"os"
	"path/filepath"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/web"
)

func get(t *testing.T, path string, headers ...string) *httptest.ResponseRecorder {
	t.Helper()
	r := httptest.NewRequest(http.MethodGet, path, nil)
	for i := 0; i+1 < len(headers); i += 2 {
		r.Header.Set(headers[i], headers[i+1])
	}
	w := httptest.NewRecorder()
	web.Handler().ServeHTTP(w, r)
	return w
}

func TestMissingAssetsAndUnknownPathsOfTheApiAreNotTheApplication(t *testing.T) {
	require.Equal(t, http.StatusNotFound, get(t, "/assets/nothing.js").Code)
	require.Equal(t, http.StatusNotFound, get(t, "/api/nothing").Code)
}

func TestTheBuiltScreensAreServedWithTheirTags(t *testing.T) {
	if _, err := os.Stat(filepath.Join("dist", "index.html")); err != nil {
		require.Contains(t, get(t, "/").Body.String(), "make build", "without a build the program says what to do")
		return
	}
	page := get(t, "/lower-terrace/yard")
	require.Equal(t, http.StatusOK, page.Code)
	require.Contains(t, page.Body.String(), `<div id="root">`, "every other address is the application's own")
	require.Equal(t, "no-cache", page.Header().Get("Cache-Control"))
	again := get(t, "/lower-terrace/yard", "If-None-Match", page.Header().Get("ETag"))
	require.Equal(t, http.StatusNotModified, again.Code)
	assets, err := filepath.Glob(filepath.Join("dist", "assets", "*.woff2"))
	require.NoError(t, err)
	require.NotEmpty(t, assets, "the fonts ship with the program")
	font := get(t, "/assets/"+filepath.Base(assets[0]))
	require.Equal(t, "font/woff2", font.Header().Get("Content-Type"))
	require.Contains(t, font.Header().Get("Cache-Control"), "immutable")
}
