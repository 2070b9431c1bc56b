package api_test

import (
	"encoding/json"
	"maps"
	"slices"
	"strings"
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
	return a.pageOf(t, saltwind+path)
}

func (a *app) pageOf(t *testing.T, url string) string {
	t.Helper()
	x := a.ok("GET", url, nil)
	delete(x, "revision")
	delete(x, "choices")
	text, err := json.Marshal(x)
	require.NoError(t, err)
	return string(text)
}

// only leaves the trees of an orchard that some pages name: the others need not be planned anew for each value.
func (a *app) only(orchard, pages string) {
	for _, tree := range list(a.ok("GET", orchard+"/trees", nil), "list") {
		if id := tree["id"].(string); !strings.Contains(pages, id) && tree["gone"] == nil {
			tree["gone"], tree["gone_why"] = tree["planted"], "mistake"
			a.ok("PUT", orchard+"/trees/"+id, object{"version": tree["version"], "tree": tree})
		}
	}
}

// keep leaves the trees of an orchard that are chosen by their place in its list, and gives their ids.
func (a *app) keep(orchard string, chosen func(k int) bool) (ids []string) {
	for k, tree := range list(a.ok("GET", orchard+"/trees", nil), "list") {
		if tree["gone"] == nil && chosen(k) {
			ids = append(ids, tree["id"].(string))
		}
	}
	a.only(orchard, strings.Join(ids, " "))
	return ids
}

// elsewhere are values that show at other times of a tree's life, or on other screens: where, on the lower terrace as it is
// prepared for them.
var elsewhere = map[string]string{
	"formation_exempt=never": "/trees/lower-terrace-D2/plan", "planting_cut=almost-none": "/trees/NEW/plan", "restoration=summer-first": "/trees/lower-terrace-C1/plan",
	"restraining_cut=solstice-on": "/trees/lower-terrace-D1/plan", "row_height=computed": "/plan", "row_height=off": "/plan",
	"bend_time=season": "/trees/lower-terrace-C2/plan", "bend_time=growth": "/trees/lower-terrace-C2/plan", "bend_time=two-years": "/trees/lower-terrace-C2/plan",
	"leader_stop=reach": "/trees/lower-terrace-C1/map/slip?season=dormant", "paint=none": "/trees/lower-terrace-C2/plan", "counts=all": "/trees/lower-terrace-A1/plan",
	"thin_pome=two-per-cluster": "/trees/lower-terrace-A3/plan", "cut_end=renewal-stub": "/trees/lower-terrace-A3/map/slip?season=summer",
	"form=open-vase": "/advice?kind=apple&class=semi-dwarfing&x=5&y=5", "form=central-leader": "/advice?kind=apple&class=semi-dwarfing&x=5&y=5", "form=flat": "/advice?kind=apple&class=semi-dwarfing&x=5&y=5",
	"form=low-bush": "/advice?kind=apple&class=semi-dwarfing&x=5&y=5", "form=late-leader": "/advice?kind=apple&class=semi-dwarfing&x=5&y=5",
	"form=slim-leader": "/advice?kind=apple&class=dwarfing&x=5&y=5", "form=four-arm": "/advice?kind=apple&class=semi-dwarfing&x=5&y=5",
	"limb_ends=never": "/trees/lower-terrace-B3/map/slip?season=summer", "summer_pome=upright-out": "/trees/lower-terrace-A3/plan",
	"summer_pome=leave": "/trees/lower-terrace-A3/plan", "scaffolds=4-6": "/trees/YOUNG/plan", "scaffolds=tiers-of-4": "/trees/YOUNG/plan",
}

// dry are values that show only where winters are dry: held in core/year, on the place it has for that.
var dry = map[string]bool{"stone_cut=dry-summer": true}

func TestEveryValueThatShowsElsewhereDoes(t *testing.T) {
	a := start(t, "2027-02-20")
	set := func(own object) {
		o := a.ok("GET", lt, nil)["orchard"].(object)
		o["school"].(object)["preset"], o["school"].(object)["own"] = "steady", own
		o["plot"].(object)["row_distance_m"] = 2.2
		a.ok("PUT", lt, object{"version": o["version"], "orchard": o})
	}
	a.ok("POST", lt+"/entries", object{"tree_id": "lower-terrace-C2", "date": "2027-02-10", "kind": "work", "task": "bend", "outcome": "done", "device": "tie"})
	a.ok("POST", lt+"/entries", object{
		"tree_id": "lower-terrace-C2", "date": "2027-02-10", "kind": "work", "task": "dormant-cut", "outcome": "done", "share": 0.1, "opens_sun": true, "reason": "a dry day",
	})
	trees := a.ok("GET", lt+"/trees", nil)["list"].([]any)
	k := slices.IndexFunc(trees, func(x any) bool { return x.(object)["id"] == "lower-terrace-D1" })
	restrained := trees[k].(object)
	restrained["aim"] = "restrain"
	a.ok("PUT", lt+"/trees/lower-terrace-D1", object{"version": restrained["version"], "tree": restrained})
	a.only(lt, strings.Join(slices.Collect(maps.Values(elsewhere)), " "))
	added := map[string]string{}
	for name, planted := range map[string]string{"NEW": "2027-02-10", "YOUNG": "2025-11-20"} {
		tree := a.ok("POST", lt+"/trees", object{"code": name, "kind": "apple", "form": "open-vase", "planted": planted, "x": 20, "y": 3})["tree"].(object)
		added[name] = tree["id"].(string)
	}
	page := func(path string) string {
		for name, id := range added {
			path = strings.Replace(path, name, id, 1)
		}
		return a.pageOf(t, lt+path)
	}
	set(object{})
	usual := map[string]string{}
	for _, path := range elsewhere {
		usual[path] = page(path)
	}
	set(object{"reach": "ladder"})
	byRule := page("/plan")
	var idle []string
	for name, path := range elsewhere {
		key, value, _ := strings.Cut(name, "=")
		own, was := object{key: value}, usual[path]
		if key == "row_height" { // of those who take a ladder
			own["reach"], was = "ladder", byRule
		}
		if set(own); page(path) == was {
			idle = append(idle, name)
		}
	}
	require.Empty(t, idle, "these change nothing a person sees")
}

func TestEveryValueOfEveryChoiceChangesSomethingAPersonSees(t *testing.T) {
	a := start(t, "2026-08-01")
	a.only(saltwind, strings.Join(pages, " "))
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
			if elsewhere[name] != "" || dry[name] {
				continue
			}
			set(object{c.Key: v.Slug})
			shows := slices.ContainsFunc(pages, func(path string) bool { return a.page(t, path) != usual[path] })
			require.True(t, shows, "%s changes nothing a person sees", name)
		}
	}
}

// TestWhatASlipCutsHasItsTask: where a slip takes live wood, the tree's year has a cut in that half of it, under every time a school
// gives the height.
func TestWhatASlipCutsHasItsTask(t *testing.T) {
	a := start(t, "2027-02-20")
	halves := map[string][]string{"dormant": {"dormant-cut", "planting-cut"}, "summer": {"height-cut", "summer-cut", "restraining-cut", "autumn-height-cut"}}
	height, _, err := pomology.Find("height_cut", "autumn")
	require.NoError(t, err)
	n, quiet := 0, 0
	ids := [][]string{a.keep(lt, func(k int) bool { return k%4 == 0 }), a.keep(saltwind, func(k int) bool { return k%3 == 0 })}
	for p, preset := range []string{"steady", "low-bush", "renewal-row", "dry-summer-stone"} {
		for h, when := range height.Values {
			if (p+h)%2 != 0 { // each preset with every other way, each way with every other preset
				continue
			}
			for o, orchard := range []string{lt, saltwind} {
				if (p+h)/2%2 != o { // and each pair in one of the yards
					continue
				}
				meta := a.ok("GET", orchard, nil)["orchard"].(object)
				school := meta["school"].(object)
				school["preset"], school["own"] = preset, object{"height_cut": when.Slug}
				a.ok("PUT", orchard, object{"version": meta["version"], "orchard": meta})
				on := []string{"2027-07-05", "2027-02-20"}[o] // in leaf north of the equator, then south
				for _, id := range ids[o] {
					v := voice{a, orchard[len("/api/orchards/"):], id, on}
					if n++; n%2 == 0 || a.ok("GET", v.tree("/map"), nil)["mapped"] != true {
						continue
					}
					slip := a.ok("GET", v.tree("/map/slip"), nil)
					has := slices.ContainsFunc(list(a.ok("GET", v.tree("/plan"), nil), "tasks"), func(x object) bool {
						return slices.Contains(halves[slip["season"].(string)], x["kind"].(string))
					})
					if slip["gauge"].(object)["slip"].(float64) > 0 {
						require.True(t, has, "%s %s: %s on %s is cut by its slip and has no task", preset, when.Slug, v.id, on)
					}
					if slip["no_leaf_cut"] != nil {
						quiet++
						require.Zero(t, slip["gauge"].(object)["slip"], "%s %s: %s", preset, when.Slug, v.id)
					}
				}
			}
		}
	}
	require.NotZero(t, quiet)
}

func TestWhatCountsMoreMovesTheSlips(t *testing.T) {
	a := start(t, "2027-02-20")
	const lt = "/api/orchards/lower-terrace"
	slips := func(weighs string) []string {
		o := a.ok("GET", lt, nil)["orchard"].(object)
		delete(o, "weighs")
		if weighs != "" {
			o["weighs"] = weighs
		}
		a.ok("PUT", lt, object{"version": o["version"], "orchard": o})
		var out []string
		for _, code := range []string{"A3", "B3", "C1", "C2", "C3", "D1"} {
			out = append(out, a.pageOf(t, lt+"/trees/lower-terrace-"+code+"/map/slip"))
		}
		return out
	}
	usual, structure, fruit := slips(""), slips("structure"), slips("fruit")
	require.NotEqual(t, usual, structure)
	require.NotEqual(t, usual, fruit)
	require.Equal(t, usual, slips(""), "and back")
}
