package crop_test

import (
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/crop"
	"vertumna/core/given"
	"vertumna/core/growth"
	"vertumna/core/limb"
	"vertumna/core/pomology"
)

const tries = 300

func draw(n uint64) *rand.Rand { return rand.New(rand.NewPCG(n, 7)) }

func between(r *rand.Rand, low, high float64) float64 { return low + (high-low)*r.Float64() }

func someKind(r *rand.Rand) string { return pomology.Slugs()[r.IntN(len(pomology.Slugs()))] }

func TestLawAllotmentsAddUpToTheTarget(t *testing.T) {
	for n := range uint64(tries) {
		r := draw(n)
		in := given.New[crop.AllotInput]()
		in.Target = r.IntN(400)
		room, bears := 0, false
		for range 1 + r.IntN(12) {
			l := given.New[crop.AllotLimb]()
			l.ID, l.DiameterMM, l.Light, l.NoFruit = string(rune('a'+len(in.Limbs))), between(r, 5, 80), r.Float64(), r.IntN(8) == 0
			if r.IntN(2) == 0 {
				l.Counted = new(r.IntN(200))
			}
			if r.IntN(3) == 0 {
				l.SafeFruit = new(r.IntN(150))
			}
			if !l.NoFruit && l.Light > 0.15 {
				bears = true
				most := 1 << 20
				if l.Counted != nil {
					most = min(most, *l.Counted)
				}
				if l.SafeFruit != nil {
					most = min(most, *l.SafeFruit)
				}
				room += most
			}
			in.Limbs = append(in.Limbs, l)
		}
		out, err := crop.Allot(in)
		require.NoError(t, err)
		sum := 0
		for i, l := range out.Limbs {
			sum += l.Keep
			if s := in.Limbs[i].SafeFruit; s != nil {
				require.LessOrEqual(t, l.Keep, *s)
			}
			if l.On != nil {
				require.LessOrEqual(t, l.Keep, *l.On)
				require.Equal(t, *l.On, l.Keep+*l.Remove)
			}
		}
		require.Equal(t, out.Keep, sum)
		require.Equal(t, in.Target, out.Keep+out.Short)
		require.Equal(t, bears, len(out.Warnings) == 0)
		require.Equal(t, min(in.Target, room), out.Keep, "nothing is left unplaced while there is room")
	}
}

func targetsIn(r *rand.Rand) crop.TargetsInput {
	in := given.New[crop.TargetsInput]()
	in.Species, in.SeasonInPlace = someKind(r), 1+r.IntN(14)
	for i := range 1 + r.IntN(6) {
		in.Scaffolds = append(in.Scaffolds, crop.Scaffold{ID: string(rune('a' + i)), DiameterMM: between(r, 10, 70)})
	}
	for range r.IntN(6) {
		in.Bearing = append(in.Bearing, crop.Bearing{LengthCM: between(r, 5, 90), Class: []string{"strong", "normal", "weak", "hanging"}[r.IntN(4)], Count: 1 + r.IntN(9)})
	}
	if r.IntN(2) == 0 {
		in.SafeFruit = new(r.IntN(500))
	}
	return in
}

func TestLawALooserSchoolNeverLeavesLess(t *testing.T) {
	for n := range uint64(tries) {
		r := draw(n)
		in := targetsIn(r)
		target := func(change func(*crop.TargetsInput)) int {
			c := in
			change(&c)
			out, err := crop.Target(c)
			require.NoError(t, err)
			for _, l := range out.Lines {
				require.LessOrEqual(t, out.Target, l.Fruit)
			}
			return out.Target
		}
		one, two := 1, 2
		require.LessOrEqual(t, target(func(c *crop.TargetsInput) { c.PerCluster = &one }), target(func(c *crop.TargetsInput) { c.PerCluster = &two }))
		require.LessOrEqual(t, target(func(c *crop.TargetsInput) { c.StoneSpacing = "15" }), target(func(c *crop.TargetsInput) { c.StoneSpacing = "10" }))
		require.LessOrEqual(t, target(func(c *crop.TargetsInput) { c.Size = crop.Large }), target(func(c *crop.TargetsInput) { c.Size = crop.Small }))
		require.LessOrEqual(t, target(func(c *crop.TargetsInput) { c.CropState = crop.On }), target(func(c *crop.TargetsInput) { c.CropState = crop.Normal }))
		// cutting never raises what the tree may carry, the household's wish aside
		require.LessOrEqual(t, target(func(c *crop.TargetsInput) { c.RemovedShare = 0.3 }), target(func(c *crop.TargetsInput) { c.RemovedShare = 0.1 }))
	}
}

func loadIn(r *rand.Rand) crop.LoadInput {
	in := given.New[crop.LoadInput]()
	in.Species, in.LengthCM, in.D = someKind(r), between(r, 40, 400), between(r, 12, 90)
	in.BaseDeg, in.Fruit, in.BareShare = between(r, 5, 120), r.IntN(150), between(r, 0, 0.6)
	return in
}

func TestLawAThickerLimbNeverCarriesLess(t *testing.T) {
	for n := range uint64(tries) {
		r := draw(n)
		in := loadIn(r)
		thin, err := crop.LimbLoad(in)
		require.NoError(t, err)
		in.D *= between(r, 1.02, 1.5)
		thick, err := crop.LimbLoad(in)
		require.NoError(t, err)
		require.GreaterOrEqual(t, thick.SafeFruit, thin.SafeFruit, "%+v", in)
		require.LessOrEqual(t, thick.Use, thin.Use+1e-9)
	}
}

func TestLawTheSafeNumberIsTheLastSafeOne(t *testing.T) {
	for n := range uint64(tries) {
		in := loadIn(draw(n))
		l, err := crop.LimbLoad(in)
		require.NoError(t, err)
		require.LessOrEqual(t, l.SafeFruit, l.BreakFruit)
		if len(l.Warnings) == 0 || l.ShortenToCM == nil && l.SafeFruit > 0 && l.SafeFruit < 20000 {
			in.Fruit = l.SafeFruit
			at, err := crop.LimbLoad(in)
			require.NoError(t, err)
			require.LessOrEqual(t, at.Use, 1+1e-6)
			in.Fruit++
			over, err := crop.LimbLoad(in)
			require.NoError(t, err)
			require.Greater(t, over.Use, 1.0)
		}
		if l.ShortenToCM != nil { // the longest length that is safe
			require.Less(t, float64(*l.ShortenToCM), in.LengthCM)
			require.Greater(t, l.Use, 1.0)
		}
	}
}

func TestLawOrderOfCountingDoesNotMatter(t *testing.T) {
	for n := range uint64(tries) {
		r := draw(n)
		in := crop.CountInput{}
		for i := range 3 + r.IntN(6) {
			d := between(r, 15, 50)
			in.Scaffolds = append(in.Scaffolds, crop.Girth{ID: string(rune('a' + i)), DiameterMM: d})
			if i < 2 {
				in.Counted = append(in.Counted, crop.Counted{ID: string(rune('a' + i)), DiameterMM: d, Fruit: r.IntN(120)})
			}
		}
		a, err := crop.CountTree(in)
		require.NoError(t, err)
		in.Counted[0], in.Counted[1] = in.Counted[1], in.Counted[0]
		b, err := crop.CountTree(in)
		require.NoError(t, err)
		require.InDelta(t, a.Fruit, b.Fruit, 1e-9)
		require.InDelta(t, a.High, b.High, 1e-9)
		require.Equal(t, a.Verdict, b.Verdict)
		require.LessOrEqual(t, a.Low, a.Fruit+1e-9)
		require.GreaterOrEqual(t, a.High, a.Fruit-1e-9)
	}
}

// grown is a bearing tree with a map.
func grown(t testing.TB, slug string, scaffolds int) crop.Tree {
	k, err := pomology.BySlug(slug)
	require.NoError(t, err)
	doc, err := growth.Sketch(growth.SketchInput{Species: slug, Form: "open-vase", Age: 9, TrunkMM: 95, HeightCM: 280, SpreadCM: 320, Scaffolds: scaffolds, Seed: 4, Year: 2027, Season: limb.Summer})
	require.NoError(t, err)
	m, err := limb.Check(doc)
	require.NoError(t, err)
	return crop.Tree{
		Kind: k, Map: m, ReachCM: 220, SeasonInPlace: 9, Vigour: "semi-dwarfing", TrunkMM: 95, Alive: 1, Draw: true,
		Terms: crop.LoadTerms{InLeaf: true, Safety: 2.5},
	}
}

func TestATreesPlanHoldsTogether(t *testing.T) {
	for _, slug := range []string{"apple", "peach", "japanese-plum", "european-plum", "persimmon"} {
		tree := grown(t, slug, 4)
		p, err := crop.PlanTree(tree)
		require.NoError(t, err)
		require.Len(t, p.Limbs, 4)
		require.NotEmpty(t, p.ToCount)
		require.Nil(t, p.Count)
		for i, l := range p.Limbs[:2] {
			tree.Counts = append(tree.Counts, crop.LimbFruit{Limb: l.ID, Fruit: 140 - 30*i})
		}
		p, err = crop.PlanTree(tree)
		require.NoError(t, err)
		require.NotNil(t, p.Count, slug)
		require.Greater(t, p.Count.Fruit, 250.0)
		require.Less(t, p.Count.Low, p.Count.High)
		keep := 0
		for _, l := range p.Limbs {
			keep += l.Share.Keep
			on, stays := 0, 0
			for _, side := range l.Laterals {
				on, stays = on+side.On, stays+side.Keep
				require.LessOrEqual(t, side.Keep, side.On)
				marked := 0
				for _, f := range side.Fruits {
					require.GreaterOrEqual(t, tree.Map.Index(f.Limb), 0)
					if f.Keep {
						marked++
					}
				}
				require.Equal(t, side.Keep, marked, "%s %s: the fruit drawn to stay are those to leave", l.ID, side.ID)
			}
			if l.Share.On != nil {
				require.Equal(t, *l.Share.On, on)
				require.Equal(t, l.Share.Keep, stays)
			}
		}
		require.Equal(t, p.Allot.Keep, keep)
		require.NotEmpty(t, p.Loads)
		require.True(t, p.Loads[0].Use >= p.Loads[len(p.Loads)-1].Use)
	}
}

func TestAPassDoneTakesItsFruitOffTheLimb(t *testing.T) {
	tree := grown(t, "apple", 4)
	p, err := crop.PlanTree(tree)
	require.NoError(t, err)
	first := p.Limbs[0].ID
	for _, l := range p.Limbs {
		tree.Counts = append(tree.Counts, crop.LimbFruit{Limb: l.ID, Fruit: 200})
	}
	before, err := crop.PlanTree(tree)
	require.NoError(t, err)
	require.Equal(t, crop.CountedAll, before.Count.Verdict)
	tree.Passes = map[string]crop.Pass{first: {Left: 30, Taken: 170, Done: true}}
	after, err := crop.PlanTree(tree)
	require.NoError(t, err)
	use := func(p *crop.Plan) float64 {
		for _, l := range p.Loads {
			if l.Limb == first {
				return l.Use
			}
		}
		return 0
	}
	require.Less(t, use(after), use(before))
	require.InDelta(t, before.Expected-170, after.Expected, 0.5)
	drawn := 0
	for _, side := range after.Limbs[0].Laterals {
		drawn += side.On
	}
	require.Equal(t, 30, drawn, "what is drawn is what was left")
}

func TestATreeWithoutAMapWorksFromItsGirths(t *testing.T) {
	tree := grown(t, "apple", 4)
	tree.Map = nil
	tree.ScaffoldsMM = []float64{40, 35, 30, 25}
	p, err := crop.PlanTree(tree)
	require.NoError(t, err)
	require.Len(t, p.Limbs, 4)
	require.Equal(t, "scaffolds", p.Targets.Basis)
	require.Empty(t, p.Loads)
	tree.ScaffoldsMM = nil
	p, err = crop.PlanTree(tree)
	require.NoError(t, err)
	require.Equal(t, "trunk", p.Targets.Basis)
	tree.TrunkMM = 0
	_, err = crop.PlanTree(tree)
	require.ErrorContains(t, err, "scaffolds: no limb given")
}

func TestCountsOfOtherTreesOrOfPartsInsidePartsAreRefused(t *testing.T) {
	tree := grown(t, "apple", 4)
	m := tree.Map
	scaffold := m.Axes[m.Stems()[0]].Children[0]
	part := m.Axes[scaffold].Children[0]
	fs := crop.CheckCounts(m, []crop.LimbFruit{{Limb: m.Axes[scaffold].ID, Fruit: 3}, {Limb: m.Axes[part].ID, Fruit: 2}, {Limb: "elsewhere", Fruit: 1}})
	require.Len(t, fs, 2)
	require.Equal(t, "fruiting.counts[1].limb", fs[0].Field)
	require.Equal(t, "fruiting.counts[2].limb", fs[1].Field)
}

func BenchmarkPlanOfALargeTree(b *testing.B) {
	doc, err := growth.Sketch(growth.SketchInput{
		Species: "apple", Form: "open-vase", Age: 18, TrunkMM: 190, HeightCM: 420, SpreadCM: 900, Scaffolds: 9, Seed: 4, Year: 2027, Season: limb.Dormant,
	})
	require.NoError(b, err)
	for _, drawn := range []bool{false, true} {
		tree := grown(b, "apple", 8)
		tree.Map, err = limb.Check(doc)
		require.NoError(b, err)
		tree.Draw = drawn
		for i := range tree.Map.Len() {
			if tree.Map.Axes[i].Depth == 1 {
				tree.Counts = append(tree.Counts, crop.LimbFruit{Limb: tree.Map.Axes[i].ID, Fruit: 90})
			}
		}
		b.Run(map[bool]string{false: "numbers", true: "drawn"}[drawn], func(b *testing.B) {
			var loads int
			for b.Loop() {
				p, err := crop.PlanTree(tree)
				require.NoError(b, err)
				loads = len(p.Loads)
			}
			b.ReportMetric(float64(tree.Map.Len()), "limbs")
			b.ReportMetric(float64(loads), "bent")
		})
	}
}

func TestLawCuttingALimbNeverRaisesWhatTheTreeMayCarry(t *testing.T) {
	for _, slug := range []string{"apple", "peach", "japanese-plum"} {
		tree := grown(t, slug, 4)
		before, err := crop.PlanTree(tree)
		require.NoError(t, err)
		whole := tree.Map
		for i := range whole.Axes {
			if whole.IsStem(i) || i%3 != 0 {
				continue
			}
			c := limb.CutAt{Limb: whole.Axes[i].ID, Kind: limb.Collar}
			cut := tree
			cut.Map, err = whole.Cut(c)
			require.NoError(t, err)
			cut.RemovedShare = whole.ShareOf(c)
			after, err := crop.PlanTree(cut)
			require.NoError(t, err)
			require.LessOrEqual(t, after.Targets.Target, before.Targets.Target, "%s without %s", slug, c.Limb)
		}
	}
}
