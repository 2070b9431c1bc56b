package cut_test

import (
	"fmt"
	"os"
	"strings"
	"testing"

	"vertumna/core/cut"
)

func TestZZ(t *testing.T) {
	want := os.Getenv("ZZ")
	for _, preset := range presets {
		for _, h := range heldTrees(t, preset, 9) {
			if h.name != want {
				continue
			}
			rows, _, err := cut.Over(h.tree, h.years(7))
			if err != nil {
				t.Fatal(err)
			}
			for y, r := range rows {
				fmt.Printf("YEAR %d height %.0f limbs %d account %.2f\n", y, r.HeightCut, 0, r.Account)
				for _, s := range []*cut.Slip{r.Dormant, r.Summer} {
					fmt.Printf(" %v share %.3f account %.3f cap %.3f groups %d cuts %d now %.0f this %.0f done %.0f reach %.0f tops %d\n", s.Season, s.Share, s.Account, s.Cap, len(s.Groups), len(s.Cuts), s.Now, s.This, s.Done, h.reading.Options.ReachCM, len(s.Tops))
					for _, c := range s.Cuts {
						f := []string{}
					for _, x := range c.Solves {
						f = append(f, string(x.Code))
					}
					if c.Stage != nil {
						f = append(f, "stage:"+string(c.Stage.Code))
					}
					fmt.Printf("   %s %s at %.0f side %s takes %.3f counted %.3f aim %v for %s\n", c.Kind, c.Limb, c.AtCM, c.Side, c.Takes, c.Counted, c.Aim, strings.Join(f, ","))
				}
			}
		}
	}
}
}
