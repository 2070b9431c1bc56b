package cut_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/cut"
	"vertumna/core/find"
	"vertumna/core/growth"
	"vertumna/core/light"
	"vertumna/core/limb"
	"vertumna/internal/cputime"
	"vertumna/internal/vectors"
)

// bigTree is a sketch of about as many limbs as asked for, with its light.
func bigTree(b *testing.B, spread float64) (*limb.Map, limb.Light) {
	b.Helper()
	m := vectors.MeasuredMap(b, growth.SketchInput{
		Species: "apple", Age: 18, Form: "open-vase", TrunkMM: 190, HeightCM: 420, SpreadCM: spread, Scaffolds: 9, Seed: 4,
	})
	return m, light.OfTree(m, 45, light.Coarse)
}

func slipOf(b *testing.B, m *limb.Map, l limb.Light, levels bool) *cut.Slip {
	p, err := cut.NewPlanner(growth.Tree{Map: m, Latitude: 45}, find.Reading{Light: l, Options: find.Defaults()},
		cut.Options{Level: cut.Fifth, AimFirst: true, Slack: 0.1})
	require.NoError(b, err)
	if levels {
		return p.AtLevels()[cut.Third]
	}
	return p.Plan()
}

func BenchmarkSlip(b *testing.B) {
	for name, spread := range map[string]float64{"half": 420, "whole": 900} {
		m, l := bigTree(b, spread)
		for _, levels := range []bool{false, true} {
			label := name + "/one-level"
			if levels {
				label = name + "/four-levels"
			}
			b.Run(label, func(b *testing.B) {
				found := 0
				defer cputime.Report(b)()
				for b.Loop() {
					found = len(slipOf(b, m, l, levels).Findings)
				}
				b.ReportMetric(float64(m.Len()), "limbs")
				b.ReportMetric(float64(found), "findings")
			})
		}
	}
}

// A person's what-if: one cut made, findings, shares and light read anew, and the tree at the next winter.
func BenchmarkWhatIf(b *testing.B) {
	m, l := bigTree(b, 900)
	first := slipOf(b, m, l, false).Cuts[0].CutAt
	defer cputime.Report(b)()
	for b.Loop() {
		after, err := m.Cut(first)
		if err != nil {
			b.Fatal(err)
		}
		lit := light.OfTree(after, 45, light.Coarse)
		find.Findings(after, find.Reading{Light: lit, Options: find.Defaults()})
		given := map[string]float64{}
		for i := range after.Axes {
			given[after.Axes[i].ID] = lit[i]
		}
		if _, _, err := growth.Grow(growth.Tree{Map: after, Latitude: 45, Given: given}, growth.Work{}); err != nil {
			b.Fatal(err)
		}
	}
	b.ReportMetric(float64(m.Len()), "limbs")
}

// Ten years of a tree's plan, in its own light.
func BenchmarkYears(b *testing.B) {
	doc, err := growth.Sketch(growth.SketchInput{Species: "apple", Age: 12, Form: "open-vase", TrunkMM: 120, HeightCM: 300, SpreadCM: 330, Scaffolds: 5, Seed: 4})
	require.NoError(b, err)
	m, err := limb.Check(doc)
	require.NoError(b, err)
	tree := growth.Tree{Map: m, Latitude: 45, Bounds: growth.LeftAlone(m, "", 0)}
	for _, n := range []int{4, 10} {
		b.Run(fmt.Sprint(n), func(b *testing.B) {
			defer cputime.Report(b)()
			for b.Loop() {
				y := cut.Years{
					N: n, Options: cut.Options{Level: cut.Fifth, AimFirst: true, HeightCut: cut.InSummer, Part: 2.0 / 3, Slack: 0.1, NoStub: true},
					Reading: find.Reading{Options: find.Defaults()}, LightOf: func(m *limb.Map) limb.Light { return light.OfTree(m, 45, light.Coarse) },
				}
				if _, _, err := cut.Over(tree, y); err != nil {
					b.Fatal(err)
				}
			}
			b.ReportMetric(float64(m.Len()), "limbs")
		})
	}
}
