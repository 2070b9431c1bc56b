package exchange

import (
	_ "embed"
	"encoding/json"
	"io"

	"vertumna/core/limb"
)

// LimbMapSchema is the JSON Schema of a limb map, as published.
//
//go:embed limb-map.schema.json
var LimbMapSchema []byte

// LimbsJSON writes a limb map whole.
func LimbsJSON(w io.Writer, doc limb.Doc) error {
	doc.Version = limb.FormatVersion
	e := json.NewEncoder(w)
	e.SetIndent("", " ")
	return e.Encode(doc)
}
