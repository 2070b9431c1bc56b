package api

import (
	"context"
	"fmt"
	"math"
	"net/http"
	"strconv"
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"vertumna/core/almanac"
	"vertumna/core/given"
	"vertumna/core/growth"
	"vertumna/core/limb"
	"vertumna/core/quickline"
	"vertumna/core/year"
	"vertumna/exchange"
	"vertumna/store"
	"vertumna/words"
)

// BenchInput names a tree and the day shown.
type BenchInput struct {
	IDInput
	Day string `query:"day" maxLength:"40" doc:"the day shown; absent: today"`
}

// AheadInput asks for a tree so many winters on.
type AheadInput struct {
	BenchInput
	Ahead int         `query:"ahead" minimum:"0" maximum:"3" doc:"winters ahead; 0: as mapped"`
	Cut   bool        `query:"cut" doc:"with the slip made; else uncut"`
	Slip  limb.Season `query:"season" enum:"dormant,summer" doc:"of the slip; absent: of the day shown"`
}

// onDay gathers the tree an input names, on the day it names.
func (s *server) onDay(ctx context.Context, in *BenchInput) (*standing, error) {
	day := almanac.NoDay
	if in.Day != "" {
		var err error
		if day, err = almanac.ParseDay(in.Day); err != nil {
			return nil, err
		}
	}
	return s.stand(ctx, in.Slug, in.ID, day)
}

// mapped is the same with the tree's map as of that day. Error: store.ErrNotFound when there is none.
func (s *server) mapped(ctx context.Context, in *BenchInput) (*standing, *store.LimbMap, error) {
	b, err := s.onDay(ctx, in)
	if err != nil {
		return nil, nil, err
	}
	kept, err := s.Store.MapAsOf(ctx, in.ID, b.day)
	return b, kept, err
}

// BenchOutput is the answer of bench operations.
type BenchOutput struct{ Body *BenchBody }

// SketchRequest makes a first sketch, or another.
type SketchRequest struct {
	BenchInput
	Body struct {
		BasedOn int                `json:"based_on" doc:"the revision in sight; 0 when there is none" minimum:"0" maximum:"1000000"`
		Sketch  growth.SketchInput `json:"sketch"`
	}
}

// EditsRequest changes a limb map.
type EditsRequest struct {
	BenchInput
	Body struct {
		BasedOn int         `json:"based_on" doc:"the revision the edits were made on" minimum:"0" maximum:"1000000"`
		Edits   []limb.Edit `json:"edits" nullable:"false" minItems:"1" maxItems:"200"`
		Note    string      `json:"note,omitempty" maxLength:"2000"`
	}
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
	Body struct {
		BasedOn int    `json:"based_on" minimum:"0" maximum:"1000000"`
		Format  string `json:"format" enum:"json,csv"`
		Text    string `json:"text" maxLength:"1000000"`
	}
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

// CompareInput asks what differs between two revisions.
type CompareInput struct {
	IDInput
	From int `query:"from" required:"true" minimum:"0" maximum:"1000000"`
	To   int `query:"to" required:"true" minimum:"0" maximum:"1000000"`
}

func (s *server) registerLimbs(api huma.API) {
	const base = "/api/orchards/{slug}/trees/{id}/map"
	op(api, http.MethodGet, base, "get-bench", "The tree on the bench: its map, drawn, and what is found on it", func(ctx context.Context, in *AheadInput) (*BenchOutput, error) {
		b, err := s.onDay(ctx, &in.BenchInput)
		if err != nil {
			return nil, err
		}
		b.ahead = in.Ahead
		if in.Cut {
			if b.after, err = s.afterSlip(ctx, in); err != nil {
				return nil, err
			}
		}
		out, err := s.bench(ctx, b)
		return &BenchOutput{out}, err
	})
	op(api, http.MethodPost, base+"/sketch", "sketch-tree", "A first sketch from a few numbers", func(ctx context.Context, in *SketchRequest) (*BenchOutput, error) {
		return s.onBench(ctx, &in.BenchInput, func(b *standing) (*store.LimbMap, error) {
			sk := in.Body.Sketch
			sk.Year, sk.Season = year.MapSeason(b.day, b.south)
			doc, err := growth.Sketch(sk)
			return &store.LimbMap{Revision: store.Revision{BasedOn: in.Body.BasedOn, Cause: store.CauseSketch}, Doc: doc}, err
		})
	})
	op(api, http.MethodPost, base+"/edits", "edit-limbs", "Change the limb map", func(ctx context.Context, in *EditsRequest) (*BenchOutput, error) {
		return s.onBench(ctx, &in.BenchInput, func(b *standing) (*store.LimbMap, error) { return s.edited(ctx, b, in) })
	}, maxArchive)
	op(api, http.MethodPost, base+"/undo", "undo-limbs", "Take back the last change", func(ctx context.Context, in *UndoRequest) (*BenchOutput, error) {
		b, err := s.onDay(ctx, &in.BenchInput)
		if err != nil {
			return nil, err
		}
		if _, err := s.Store.UndoMap(ctx, b.contents.Orchard.ID, in.ID, in.Body.Revision, b.day); err != nil {
			return nil, err
		}
		out, err := s.bench(ctx, b)
		return &BenchOutput{out}, err
	})
	op(api, http.MethodPost, base+"/carry", "carry-limbs", "Carry the limb map on to today's season, as the model grows it uncut", func(ctx context.Context, in *CarryRequest) (*BenchOutput, error) {
		return s.onBench(ctx, &in.BenchInput, func(b *standing) (*store.LimbMap, error) { return s.carriedOn(ctx, b, in) })
	})
	op(api, http.MethodPost, base+"/import", "import-limbs", "A limb map from a file", func(ctx context.Context, in *ImportRequest) (*BenchOutput, error) {
		return s.onBench(ctx, &in.BenchInput, func(b *standing) (*store.LimbMap, error) {
			doc, err := s.imported(b, in.Body.Format, in.Body.Text)
			return &store.LimbMap{Revision: store.Revision{BasedOn: in.Body.BasedOn, Cause: store.CauseImport}, Doc: doc}, err
		})
	}, maxArchive)
	op(api, http.MethodPost, base+"/line", "read-line", "What a quick line says", s.quickLine)
	op(api, http.MethodGet, base+"/limbs/{limb}", "get-shoot", "A limb laid flat, with its buds", s.shoot)
	op(api, http.MethodGet, base+"/compare", "compare-maps", "What differs between two revisions", s.compareMaps)
}

// onBench writes a new revision, if one is made, and shows the tree.
func (s *server) onBench(ctx context.Context, in *BenchInput, write func(*standing) (*store.LimbMap, error)) (*BenchOutput, error) {
	b, err := s.onDay(ctx, in)
	if err != nil {
		return nil, err
	}
	if write != nil {
		if today := s.Today(); b.day > today { // nobody measures a tree of days to come
			b.day = today
		}
		m, err := write(b)
		if err != nil {
			return nil, err
		}
		m.Date = b.day
		if err := s.Store.SaveMap(ctx, b.contents.Orchard.ID, in.ID, m); err != nil {
			return nil, err
		}
	}
	out, err := s.bench(ctx, b)
	return &BenchOutput{out}, err
}

// carriedOn is a tree's map grown on to today: what it was cut is in it already, for every logged slip writes the map anew.
func (s *server) carriedOn(ctx context.Context, b *standing, in *CarryRequest) (*store.LimbMap, error) {
	kept, err := s.Store.MapAsOf(ctx, in.ID, b.day)
	if err != nil {
		return nil, err
	}
	m, err := limb.Check(kept.Doc)
	if err != nil {
		return nil, err
	}
	at, now := halfOf(m, kept.Date, b.south), halfOn(b.day, b.south)
	if !at.before(now) {
		return nil, given.Fault{Code: "same_season", Field: "map", Given: words.HalfName(at.season, at.year), Expected: "a map of a season before today's"}
	}
	from := *m
	from.Year = at.year
	tree, err := growth.CarryTo(b.grower(&from), now.season, now.year)
	if err != nil {
		return nil, err
	}
	return &store.LimbMap{Revision: store.Revision{BasedOn: in.Body.BasedOn, Cause: store.CauseGrown}, Doc: tree.Map.GrownFrom(m)}, nil
}

func (s *server) edited(ctx context.Context, b *standing, in *EditsRequest) (*store.LimbMap, error) {
	kept, err := s.Store.MapAsOf(ctx, in.ID, b.day)
	if err != nil {
		return nil, err
	}
	doc, err := limb.Apply(kept.Doc, in.Body.Edits...)
	if err != nil {
		return nil, err
	}
	cause := store.CauseMark
	for _, e := range in.Body.Edits {
		switch e.Op {
		case "cut":
			cause = store.CauseCut
		case "add", "set", "tip", "move", "remove":
			if cause != store.CauseCut {
				cause = store.CauseCorrect
			}
		}
	}
	return &store.LimbMap{Revision: store.Revision{BasedOn: in.Body.BasedOn, Cause: cause, Note: in.Body.Note}, Doc: doc}, nil
}

func (s *server) imported(b *standing, format, text string) (limb.Doc, error) {
	y, season := year.MapSeason(b.day, b.south)
	base := limb.Doc{Species: b.core.Kind.Slug, Form: b.core.Form, Age: b.age(), Year: y, Season: season}
	var doc limb.Doc
	var err error
	if format == "csv" {
		doc, err = exchange.ReadLimbsCSV(strings.NewReader(text), base)
	} else {
		var m *limb.Map
		if m, err = limb.Read([]byte(text)); m != nil {
			doc, err = limb.Parse([]byte(text))
		}
	}
	if err != nil {
		return doc, err
	}
	if doc.Species != b.core.Kind.Slug {
		return doc, given.Fault{Code: "E_SPECIES", Field: "species", Given: strconv.Quote(doc.Species), Expected: fmt.Sprintf("a map of this tree's kind, %q", b.core.Kind.Slug)}
	}
	return doc, nil
}

func (s *server) quickLine(ctx context.Context, in *QuickRequest) (*struct{ Body QuickBody }, error) {
	b, kept, err := s.mapped(ctx, &in.BenchInput)
	if err != nil {
		return nil, err
	}
	r := quickline.Parse(in.Body.Line, kept.Doc, in.Body.Selected, quickline.Units(b.contents.Orchard.Units))
	if len(r.Edits) > 0 { // what the map would refuse is told while the line is still being written
		if _, err := limb.Apply(kept.Doc, r.Edits...); err != nil {
			end := len(in.Body.Line)
			r.Faults = append(r.Faults, quickline.Fault{Start: 0, End: end, Given: in.Body.Line, Expected: err.Error()})
			r.Edits = []limb.Edit{}
		}
	}
	return &struct{ Body QuickBody }{QuickBody{r}}, nil
}

// stripRings is how many rings of a limb the bud strip shows, the youngest.
const stripRings = 2

func (s *server) shoot(ctx context.Context, in *ShootInput) (*struct{ Body ShootBody }, error) {
	b, kept, err := s.mapped(ctx, &in.BenchInput)
	if err != nil {
		return nil, err
	}
	m, err := limb.Check(kept.Doc)
	if err != nil {
		return nil, err
	}
	i := m.Index(in.Limb)
	if i < 0 {
		return nil, store.ErrNotFound
	}
	out := b.laidFlat(m, i)
	out.Years, err = s.limbYears(ctx, in.ID, in.Limb, b)
	return &struct{ Body ShootBody }{out}, err
}

func (b *standing) laidFlat(m *limb.Map, i int) ShootBody {
	a := &m.Axes[i]
	first := max(0, len(a.Rings)-stripRings)
	out := ShootBody{Limb: a.ID, Length: round1(a.L), From: round1(a.RingStart(first)), Nodes: []NodeBody{}, Rings: rings(m, i)[first:], Years: []LimbYear{}}
	_, o := m.Outward(i, m.At(i, a.L/2))
	out.Outward = bearingOf(o)
	fruiting, lit := 0, b.lightOf(m)
	for k := first; k < len(a.Rings); k++ {
		for _, n := range m.Nodes(i, k, lit) {
			out.Known = out.Known || n.Known
			out.Nodes = append(out.Nodes, nodeBody(m, i, n))
			if n.Kind.Fruits() {
				fruiting++
			}
		}
	}
	out.Says = b.speaker.BearingHere(m.Kind.Growth.Bearing, fruiting, len(out.Nodes))
	return out
}

func bearingOf(v limb.Vec) float64 {
	return math.Round(math.Mod(math.Atan2(v.X, v.Y)*180/math.Pi+360, 360))
}

func nodeBody(m *limb.Map, i int, n limb.Node) NodeBody {
	return NodeBody{
		N: n.N, AtCM: round1(n.At), Age: n.Age, Kind: string(n.Kind), Expected: string(n.Expected), Seen: n.Seen, Known: n.Known,
		Roll: round1(n.Roll), Bearing: bearingOf(n.Facing), Rise: math.Round(100*n.Facing.Z) / 100, Class: string(n.Class), Sure: n.Sure,
		HeightCM: round1(m.At(i, n.At).Z),
	}
}

// limbYears tells how a limb was clothed in each growth year it was mapped in.
func (s *server) limbYears(ctx context.Context, treeID, id string, b *standing) ([]LimbYear, error) {
	history, err := s.Store.MapHistory(ctx, treeID)
	if err != nil {
		return nil, err
	}
	out := []LimbYear{}
	seen := map[int]bool{}
	for _, r := range history {
		y := year.SeasonOf(r.Date, b.south)
		if r.Date > b.day || seen[y] {
			continue
		}
		kept, err := s.Store.MapRevision(ctx, treeID, r.Revision)
		if err != nil {
			return nil, err
		}
		m, err := limb.Check(kept.Doc)
		if err != nil || m.Index(id) < 0 {
			continue
		}
		seen[y] = true
		i := m.Index(id)
		a := &m.Axes[i]
		metres := a.L / 100
		out = append(out, LimbYear{
			Date: r.Date, Length: round1(a.L), Laterals: round1(float64(len(a.Children)) / metres),
			FruitBuds: round1(m.FlowerBuds(i, nil, nil) / metres), Counted: len(a.Spurs) > 0,
		})
	}
	return out, nil
}

func (s *server) compareMaps(ctx context.Context, in *CompareInput) (*struct {
	Body []ChangeBody `nullable:"false"`
}, error,
) {
	o, err := s.Store.Orchard(ctx, in.Slug)
	if err != nil {
		return nil, err
	}
	if _, err := s.Store.Tree(ctx, o.ID, in.ID); err != nil {
		return nil, err
	}
	from, err := s.Store.MapRevision(ctx, in.ID, in.From)
	if err != nil {
		return nil, err
	}
	to, err := s.Store.MapRevision(ctx, in.ID, in.To)
	if err != nil {
		return nil, err
	}
	out := []ChangeBody{}
	for _, c := range limb.Compare(from.Doc, to.Doc) {
		out = append(out, ChangeBody(c))
	}
	return &struct {
		Body []ChangeBody `nullable:"false"`
	}{out}, nil
}
