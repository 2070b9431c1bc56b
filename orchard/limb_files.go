package orchard

import (
	"bytes"
	"context"
	"strings"

	"vertumna/core/limb"
	"vertumna/exchange"
)

// MapText is a tree's map as a file of a format, with a name for it.
func (k *Keeper) MapText(ctx context.Context, a At, format string) (text []byte, name string, err error) {
	b, kept, err := k.mapped(ctx, a)
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

// safeFileName is a name that every file system takes; of one that leaves nothing, 'map'.
func safeFileName(s string) string {
	s = strings.Map(func(r rune) rune {
		if r >= 'a' && r <= 'z' || r >= 'A' && r <= 'Z' || r >= '0' && r <= '9' {
			return r
		}
		return '-'
	}, s)
	if s = strings.Trim(s, "-"); s == "" {
		return "map"
	}
	return s
}
