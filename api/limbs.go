package api

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"vertumna/core/find"
	"vertumna/core/limb"
	"vertumna/orchard"
)

// BenchInput names a tree and the day shown.
type BenchInput struct {
	IDInput
	Day string `query:"day" maxLength:"40" doc:"the day shown; absent: today"`
}

func (in *BenchInput) at() (orchard.At, error) {
	day, err := dayOf(in.Day)
	return orchard.At{Slug: in.Slug, Tree: in.ID, Day: day}, err
}

// placed is an input that names a tree on a day.
type placed interface{ at() (orchard.At, error) }

// onTree registers an operation on a tree on a day, with an answer of its own.
func onTree[I any, P interface {
	*I
	placed
}, O any](api huma.API, method, path, id, summary string, run func(context.Context, orchard.At, *I) (O, error), limits ...int64) {
	op(api, method, path, id, summary, func(ctx context.Context, in *I) (*one[O], error) {
		at, err := P(in).at()
		if err != nil {
			return nil, err
		}
		return told(run(ctx, at, in))
	}, limits...)
}

// AheadInput asks for a tree so many winters on.
type AheadInput struct {
	BenchInput
	Ahead int         `query:"ahead" minimum:"0" maximum:"3" doc:"winters ahead; 0: as mapped"`
	Cut   bool        `query:"cut" doc:"with the slip made; else uncut"`
	Slip  limb.Season `query:"season" enum:"dormant,summer" doc:"of the slip; absent: of the day shown"`
}

// SketchRequest makes a first sketch, or another.
type SketchRequest struct {
	BenchInput
	Body orchard.SketchFrom
}

// EditsRequest changes a limb map.
type EditsRequest struct {
	BenchInput
	Body orchard.Edits
}

// CarryRequest carries a map on to today.
type CarryRequest struct {
	BenchInput
	Body struct {
		BasedOn int `json:"based_on" doc:"the revision in sight" minimum:"0" maximum:"1000000"`
	}
}

// UndoRequest takes back the last change.
type UndoRequest struct {
	BenchInput
	Body struct {
		Revision int `json:"revision" doc:"the revision to take back" minimum:"0" maximum:"1000000"`
	}
}

// ImportRequest reads a limb map from a file.
type ImportRequest struct {
	BenchInput
	Body orchard.MapFile
}

// QuickRequest asks what a quick line says.
type QuickRequest struct {
	BenchInput
	Body struct {
		Line     string `json:"line" maxLength:"500"`
		Selected string `json:"selected,omitempty" doc:"the limb in hand" maxLength:"100"`
	}
}

// ShootInput asks for the buds of a limb.
type ShootInput struct {
	BenchInput
	Limb string `path:"limb"`
}

// WaysInput asks how a limb could be cut for an aim.
type WaysInput struct {
	BenchInput
	Limb string   `path:"limb"`
	Aim  find.Aim `query:"aim" required:"true" enum:"sound,remove,lower,shorten,subdue,open,renew,calm,fruit,branch,extend,bear,spurs"`
	AtCM float64  `query:"at_cm" doc:"where the offending stretch of the finding starts, cm from the base of its limb" minimum:"0" maximum:"2500"`
}

// CompareInput asks what differs between two revisions.
type CompareInput struct {
	IDInput
	From int `query:"from" required:"true" minimum:"0" maximum:"1000000"`
	To   int `query:"to" required:"true" minimum:"0" maximum:"1000000"`
}

func (s *server) registerLimbs(api huma.API) {
	const base = "/api/orchards/{slug}/trees/{id}/map"
	k := s.Keeper
	onTree(api, http.MethodGet, base, "get-bench", "The tree on the bench: its map, drawn, and what is found on it", func(ctx context.Context, at orchard.At, in *AheadInput) (*orchard.BenchBody, error) {
		return k.Bench(ctx, at, orchard.Ahead{Winters: in.Ahead, Cut: in.Cut, Season: in.Slip})
	})
	onTree(api, http.MethodPost, base+"/sketch", "sketch-tree", "A first sketch from a few numbers", func(ctx context.Context, at orchard.At, in *SketchRequest) (*orchard.BenchBody, error) {
		return k.Sketch(ctx, at, in.Body)
	})
	onTree(api, http.MethodPost, base+"/edits", "edit-limbs", "Change the limb map", func(ctx context.Context, at orchard.At, in *EditsRequest) (*orchard.BenchBody, error) {
		return k.Edit(ctx, at, in.Body)
	}, maxArchive)
	onTree(api, http.MethodPost, base+"/undo", "undo-limbs", "Take back the last change", func(ctx context.Context, at orchard.At, in *UndoRequest) (*orchard.BenchBody, error) {
		return k.UndoMap(ctx, at, in.Body.Revision)
	})
	onTree(api, http.MethodPost, base+"/carry", "carry-limbs", "Carry the limb map on to today's season, as the model grows it uncut", func(ctx context.Context, at orchard.At, in *CarryRequest) (*orchard.BenchBody, error) {
		return k.CarryOn(ctx, at, in.Body.BasedOn)
	})
	onTree(api, http.MethodPost, base+"/import", "import-limbs", "A limb map from a file", func(ctx context.Context, at orchard.At, in *ImportRequest) (*orchard.BenchBody, error) {
		return k.ImportMap(ctx, at, in.Body)
	}, maxArchive)
	onTree(api, http.MethodPost, base+"/line", "read-line", "What a quick line says", func(ctx context.Context, at orchard.At, in *QuickRequest) (orchard.QuickBody, error) {
		return k.QuickLine(ctx, at, in.Body.Line, in.Body.Selected)
	})
	onTree(api, http.MethodGet, base+"/limbs/{limb}", "get-shoot", "A limb laid flat, with its buds", func(ctx context.Context, at orchard.At, in *ShootInput) (orchard.ShootBody, error) {
		return k.Shoot(ctx, at, in.Limb)
	})
	op(api, http.MethodGet, base+"/limbs/{limb}/ways", "ways-to-cut", "How a limb could be cut for an aim, the best first", func(ctx context.Context, in *WaysInput) (*many[orchard.WayBody], error) {
		at, err := in.at()
		if err != nil {
			return nil, err
		}
		return listed(k.Ways(ctx, at, in.Limb, in.Aim, in.AtCM))
	})
	op(api, http.MethodGet, base+"/compare", "compare-maps", "What differs between two revisions", func(ctx context.Context, in *CompareInput) (*many[orchard.ChangeBody], error) {
		return listed(k.CompareMaps(ctx, in.Slug, in.ID, in.From, in.To))
	})
}
