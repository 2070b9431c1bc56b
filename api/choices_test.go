package api_test

import (
	"encoding/json"
	"slices"
	"testing"

	"github.com/stretchr/testify/require"

	"vertumna/core/pomology"
)

const saltwind = "/api/orchards/saltwind"

// pages are what a person sees of the yard south of the equator in winter, the quick ones first: the docket, trees' years with the
// amounts of their slips, and the slips of a leader and of a peach.
var pages = []string{
	"/plan", "/trees/saltwind-A3/plan", "/trees/saltwind-B1/plan", "/trees/saltwind-B2/plan", "/trees/saltwind-A1/plan",
	"/trees/saltwind-A3/map/slip?season=dormant", "/trees/saltwind-B2/map/slip?season=dormant", "/trees/saltwind-B1/map/slip?season=dormant",
	"/trees/saltwind-B1/map/slip?season=summer",
}

// page is what stands on a page, but for what only tells what was set.
func (a *app) page(t *testing.T, path string) string {
	t.Helper()
	x := a.ok("GET", saltwind+path, nil)
	delete(x, "revision")
	delete(x, "choices")
	text, err := json.Marshal(x)
	require.NoError(t, err)
	return string(text)
}

// elsewhere are values that only show at other times of a tree's life, or on other screens; each says where.
var elsewhere = map[string]string{
	"formation_exempt=never": "trees to their third year", "planting_cut=almost-none": "the planting cut of a branched tree",
	"restoration=summer-first": "trees whose aim is to be restored", "restraining_cut=solstice-on": "trees whose aim is to restrain",
	"row_height=computed": "where a row distance is given", "row_height=off": "where a row distance is given",
	"bend_time=season": "a device that is on", "bend_time=growth": "a device that is on", "bend_time=two-years": "a device that is on",
	"leader_stop=reach": "grown modified leaders", "paint=none": "bark newly opened", "counts=all": "trees with sick wood on the slip",
	"thin_pome=two-per-cluster": "the fruit of the season", "stone_cut=dry-summer": "places without wet winters, where it is not the default",
	"form=open-vase": "the adviser of a tree's form", "form=central-leader": "the adviser of a tree's form", "form=flat": "the adviser of a tree's form",
	"form=low-bush": "the adviser of a tree's form", "form=late-leader": "the adviser of a tree's form", "cut_end=renewal-stub": "worn-out limbs",
	"limb_ends=never": "trees being built", "summer_pome=upright-out": "strong pome trees", "summer_pome=leave": "strong pome trees",
	"scaffolds=4-6": "young trees, and trees of more than five main limbs", "scaffolds=tiers-of-4": "young trees, and trees of more than five main limbs",
}

func TestEveryValueOfEveryChoiceChangesSomethingAPersonSees(t *testing.T) {
	a := start(t, "2026-08-01")
	set := func(own object) {
		o := a.ok("GET", saltwind, nil)["orchard"].(object)
		o["school"].(object)["preset"], o["school"].(object)["own"] = "steady", own
		a.ok("PUT", saltwind, object{"version": o["version"], "orchard": o})
	}
	set(object{})
	usual := map[string]string{}
	for _, path := range pages {
		usual[path] = a.page(t, path)
	}
	for _, c := range pomology.Choices() {
		require.Greater(t, len(c.Values), 1, "%s: one value is no choice", c.Key)
		for _, v := range c.Values {
			if v.Slug == c.Default {
				continue
			}
			name := c.Key + "=" + v.Slug
			if elsewhere[name] != "" {
				continue
			}
			set(object{c.Key: v.Slug})
			shows := slices.ContainsFunc(pages, func(path string) bool { return a.page(t, path) != usual[path] })
			require.True(t, shows, "%s changes nothing a person sees", name)
		}
	}
}
