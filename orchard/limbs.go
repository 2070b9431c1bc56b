package orchard

import (
	"context"
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"

	"vertumna/core/find"
	"vertumna/core/given"
	"vertumna/core/growth"
	"vertumna/core/limb"
	"vertumna/core/quickline"
	"vertumna/core/year"
	"vertumna/exchange"
	"vertumna/store"
	"vertumna/words"
)

// Ahead is how many winters on a tree is shown, and whether its slip was made before.
type Ahead struct {
	Winters int
	Cut     bool
	Season  limb.Season // of the slip; empty: of the day
}

// Bench is a tree as mapped, drawn, with what is found on it, or so many winters on.
func (k *Keeper) Bench(ctx context.Context, a At, ahead Ahead) (*BenchBody, error) {
	b, err := k.at(ctx, a)
	if err != nil {
		return nil, err
	}
	b.ahead = ahead.Winters
	if ahead.Cut {
		if b.after, err = k.afterSlip(ctx, a, ahead); err != nil {
			return nil, err
		}
	}
	return k.drawn(ctx, b)
}

// rewritten writes a new revision of a tree's map, and shows the tree.
func (k *Keeper) rewritten(ctx context.Context, a At, write func(*standing) (*store.LimbMap, error)) (*BenchBody, error) {
	b, err := k.at(ctx, a)
	if err != nil {
		return nil, err
	}
	if today := k.today(); b.day > today { // nobody measures a tree of days to come
		b.day = today
	}
	m, err := write(b)
	if err != nil {
		return nil, err
	}
	m.Date = b.day
	if err := k.store.SaveMap(ctx, b.contents.Orchard.ID, a.Tree, m); err != nil {
		return nil, err
	}
	return k.drawn(ctx, b)
}

// remade is a new revision that is made from the one kept.
func (k *Keeper) remade(ctx context.Context, a At, write func(*standing, *store.LimbMap) (*store.LimbMap, error)) (*BenchBody, error) {
	return k.rewritten(ctx, a, func(b *standing) (*store.LimbMap, error) {
		kept, err := k.store.MapAsOf(ctx, a.Tree, b.day)
		if err != nil {
			return nil, err
		}
		return write(b, kept)
	})
}

// SketchFrom is what a sketch is made from.
type SketchFrom struct {
	BasedOn int                `json:"based_on" doc:"the revision in sight; 0 when there is none" minimum:"0" maximum:"1000000"`
	Sketch  growth.SketchInput `json:"sketch"`
}

// Sketch draws a tree from a few numbers.
func (k *Keeper) Sketch(ctx context.Context, a At, from SketchFrom) (*BenchBody, error) {
	return k.rewritten(ctx, a, func(b *standing) (*store.LimbMap, error) {
		from.Sketch.Year, from.Sketch.Season = year.MapSeason(b.day, b.south)
		doc, err := growth.Draw(from.Sketch)
		return &store.LimbMap{Revision: store.Revision{BasedOn: from.BasedOn, Cause: store.CauseSketch}, Doc: doc}, err
	})
}

// UndoMap takes back the last change of a tree's map.
func (k *Keeper) UndoMap(ctx context.Context, a At, revision int) (*BenchBody, error) {
	b, err := k.at(ctx, a)
	if err != nil {
		return nil, err
	}
	if _, err := k.store.UndoMap(ctx, b.contents.Orchard.ID, a.Tree, revision, b.day); err != nil {
		return nil, err
	}
	return k.drawn(ctx, b)
}

// CarryOn grows a tree's map on to today: what it was cut is in it already, for every logged slip writes the map anew.
func (k *Keeper) CarryOn(ctx context.Context, a At, basedOn int) (*BenchBody, error) {
	return k.remade(ctx, a, func(b *standing, kept *store.LimbMap) (*store.LimbMap, error) {
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
		return &store.LimbMap{Revision: store.Revision{BasedOn: basedOn, Cause: store.CauseGrown}, Doc: tree.Map.GrownFrom(m)}, nil
	})
}

// Edits change a limb map.
type Edits struct {
	BasedOn int         `json:"based_on" doc:"the revision the edits were made on" minimum:"0" maximum:"1000000"`
	Edits   []limb.Edit `json:"edits" nullable:"false" minItems:"1" maxItems:"200"`
	Note    string      `json:"note,omitempty" maxLength:"2000"`
}

// Edit changes a tree's map.
func (k *Keeper) Edit(ctx context.Context, a At, by Edits) (*BenchBody, error) {
	return k.remade(ctx, a, func(b *standing, kept *store.LimbMap) (*store.LimbMap, error) {
		doc, err := limb.Apply(kept.Doc, by.Edits...)
		if err != nil {
			return nil, err
		}
		return &store.LimbMap{Revision: store.Revision{BasedOn: by.BasedOn, Cause: causeOf(by.Edits), Note: by.Note}, Doc: doc}, nil
	})
}

// causeOf is what a batch of edits did to the tree: a cut, a correction of what was measured, or a mark.
func causeOf(edits []limb.Edit) string {
	cause := store.CauseMark
	for _, e := range edits {
		switch e.Op {
		case "cut":
			return store.CauseCut
		case "add", "set", "tip", "move", "remove":
			cause = store.CauseCorrect
		}
	}
	return cause
}

// MapFile is a limb map as a file has it.
type MapFile struct {
	BasedOn int    `json:"based_on" minimum:"0" maximum:"1000000"`
	Format  string `json:"format" enum:"json,csv"`
	Text    string `json:"text" maxLength:"1000000"`
}

// ImportMap reads a tree's map from a file.
func (k *Keeper) ImportMap(ctx context.Context, a At, file MapFile) (*BenchBody, error) {
	return k.rewritten(ctx, a, func(b *standing) (*store.LimbMap, error) {
		doc, err := b.imported(file.Format, file.Text)
		return &store.LimbMap{Revision: store.Revision{BasedOn: file.BasedOn, Cause: store.CauseImport}, Doc: doc}, err
	})
}

func (b *standing) imported(format, text string) (limb.Doc, error) {
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

// QuickLine tells what a line written about a tree's map says, the limb in hand selected.
func (k *Keeper) QuickLine(ctx context.Context, a At, line, selected string) (QuickBody, error) {
	b, kept, err := k.mapped(ctx, a)
	if err != nil {
		return QuickBody{}, err
	}
	r := quickline.Parse(line, kept.Doc, selected, quickline.Units(b.contents.Orchard.Units))
	if len(r.Edits) > 0 { // what the map would refuse is told while the line is still being written
		if _, err := limb.Apply(kept.Doc, r.Edits...); err != nil {
			r.Faults = append(r.Faults, quickline.Fault{Start: 0, End: len(line), Given: line, Expected: b.speaker.Measured(err.Error())})
			r.Edits = []limb.Edit{}
		}
	}
	return QuickBody{r}, nil
}

// stripRings is how many rings of a limb the bud strip shows, the youngest.
const stripRings = 2

// Shoot lays a limb flat, with its buds and its past years.
func (k *Keeper) Shoot(ctx context.Context, a At, id string) (ShootBody, error) {
	b, kept, err := k.mapped(ctx, a)
	if err != nil {
		return ShootBody{}, err
	}
	m, err := limb.Check(kept.Doc)
	if err != nil {
		return ShootBody{}, err
	}
	i := m.Index(id)
	if i < 0 {
		return ShootBody{}, store.ErrNotFound
	}
	out := b.laidFlat(m, i)
	var then []find.LimbThen
	if out.Years, then, err = k.limbYears(ctx, a.Tree, id, b); err != nil {
		return ShootBody{}, err
	}
	out.Course = b.speaker.Course(id, find.CourseOf(then))
	return out, nil
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

// limbYears tells how a limb stood and was clothed in each growth year it was mapped in, the last first; then has the same for its
// course, the oldest first. What the model grew is no map of it.
func (k *Keeper) limbYears(ctx context.Context, treeID, id string, b *standing) (out []LimbYear, then []find.LimbThen, err error) {
	history, err := k.store.MapHistory(ctx, treeID)
	if err != nil {
		return nil, nil, err
	}
	out = []LimbYear{}
	seen := map[int]bool{}
	for _, r := range history {
		y := year.SeasonOf(r.Date, b.south)
		if r.Date > b.day || seen[y] {
			continue
		}
		kept, err := k.store.MapRevision(ctx, treeID, r.Revision)
		if err != nil {
			return nil, nil, err
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
			TipDeg: round1(a.A1), DMM: round1(a.D), RingCM: round1(find.ThenOf(m, i).RingCM),
		})
		if r.Cause != store.CauseGrown {
			then = append(then, find.ThenOf(m, i))
			then[len(then)-1].Year = y
		}
	}
	slices.Reverse(then)
	return out, then, nil
}

// CompareMaps tells what differs between two revisions of a tree's map.
func (k *Keeper) CompareMaps(ctx context.Context, slug, tree string, from, to int) ([]ChangeBody, error) {
	o, err := k.store.Orchard(ctx, slug)
	if err != nil {
		return nil, err
	}
	if _, err := k.store.Tree(ctx, o.ID, tree); err != nil {
		return nil, err
	}
	before, err := k.store.MapRevision(ctx, tree, from)
	if err != nil {
		return nil, err
	}
	after, err := k.store.MapRevision(ctx, tree, to)
	if err != nil {
		return nil, err
	}
	out := []ChangeBody{}
	for _, c := range limb.Compare(before.Doc, after.Doc) {
		out = append(out, ChangeBody(c))
	}
	return out, nil
}
