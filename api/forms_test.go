package api_test

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"
)

// planted adds a tree of a form and gives its path.
func (a *app) planted(t *testing.T, code, kind, form, planted string) string {
	t.Helper()
	got := a.ok("POST", lt+"/trees", object{
		"code": code, "kind": kind, "form": form, "planted": planted, "class": "dwarfing", "x": 11.0, "y": 3.0, "height_m": 1.4,
	})
	return lt + "/trees/" + got["tree"].(object)["id"].(string)
}

func TestASlimLeaderAndFourArmsAreFormedDrawnAndCutByTheirOwnWay(t *testing.T) {
	a := start(t, "2027-03-10")
	slim := a.planted(t, "X1", "apple", "slim-leader", "2025-11-20")
	train := a.ok("GET", slim+"/training", nil)
	require.Equal(t, "slim leader", train["form_name"])
	steps := fmt.Sprint(train["steps"])
	require.Contains(t, steps, "Thick side limbs off")
	require.Contains(t, steps, "Lay the side limbs level")
	require.NotContains(t, steps, "Choose the main limbs", "it has none")

	four := a.planted(t, "X2", "peach", "four-arm", "2025-11-20")
	steps = fmt.Sprint(a.ok("GET", four+"/training", nil)["steps"])
	require.Contains(t, steps, "4 limbs, the lowest", "exactly four")

	for path, limbs := range map[string]int{slim: 9, four: 4} {
		bench := a.ok("GET", path+"/map", nil)
		sketch := bench["suggest"].(object)
		require.EqualValues(t, limbs, sketch["scaffolds"])
		sketch["age"], sketch["height_cm"], sketch["spread_cm"], sketch["trunk_mm"] = 9, 260, 180, 80
		bench = a.ok("POST", path+"/map/sketch", object{"based_on": 0, "sketch": sketch})
		require.Equal(t, true, bench["mapped"])
		slip := a.ok("GET", path+"/map/slip", nil)
		require.NotEmpty(t, slip["says"])
	}
}

func TestACutPastTheLineAsksWhy(t *testing.T) {
	a := startLater(t, "2027-02-20", "2027-03-03")
	entry := func(share float64, reason string) object {
		return object{"tree_id": "lower-terrace-D1", "date": "2027-03-03", "kind": "work", "task": "dormant-cut", "outcome": "done", "share": share, "reason": reason}
	}
	codes := func(e object) (out []any) {
		for _, w := range list(a.ok("POST", lt+"/entries", e), "warnings") {
			out = append(out, w["code"])
		}
		return out
	}
	require.NotContains(t, codes(entry(0.1, "")), "over_limit")
	require.NotContains(t, codes(entry(0.5, "the storm took half of it")), "over_limit", "who said why is not asked")
	require.Contains(t, codes(entry(0.4, "")), "over_limit")
}

func TestMainLimbsAreHeldAgainstOneAnotherOnTheBench(t *testing.T) {
	a := start(t, "2027-02-20")
	told := 0
	for _, code := range []string{"B1", "B2", "B3", "B4", "C1", "C2", "C3", "D1"} {
		if says, ok := a.ok("GET", fmt.Sprintf(mapOf, code), nil)["fellows"].(string); ok {
			told++
			require.Regexp(t, "fellows|lags behind", says, code)
		}
	}
	require.Positive(t, told)
	require.Less(t, told, 8, "even trees are not talked about")
}

func TestAnOldCutIsClosedOnItsLimb(t *testing.T) {
	a := start(t, "2027-02-20")
	at := lt + "/trees/lower-terrace-C2/map"
	write := func(wounds ...object) object {
		return a.ok("POST", at+"/edits", object{"based_on": a.revision(at), "edits": []any{object{"op": "set", "id": "S1", "limb": object{"id": "S1", "wounds": wounds}}}})
	}
	looks := func(object) bool {
		return strings.Contains(fmt.Sprint(a.ok("GET", at+"/slip?season=dormant", nil)["jobs"]), "Look at the old wound on S1, 20 cm from its base")
	}
	require.True(t, looks(write(object{"at_cm": 20, "d_mm": 60, "year": 2020})), "an old wide cut is looked at")
	require.False(t, looks(write(object{"at_cm": 20, "d_mm": 60, "year": 2020, "closed": true})), "one that has closed is not")
}

func TestALimbThatSinksOverTheYearsIsNamed(t *testing.T) {
	a := start(t, "2027-02-20")
	at := lt + "/trees/lower-terrace-C1/map"
	shoot := a.ok("GET", at+"/limbs/S3", nil)
	years := list(shoot, "years")
	require.GreaterOrEqual(t, len(years), 3, "C1 was mapped in three winters")
	require.Nil(t, shoot["course"], "it stands as it stood")
	for _, y := range years {
		require.Positive(t, y["d_mm"])
		require.Positive(t, y["tip_deg"])
	}
	edit := object{"op": "set", "id": "S3", "limb": object{"id": "S3", "angle_tip_deg": years[len(years)-1]["tip_deg"].(float64) + 40}}
	a.ok("POST", at+"/edits", object{"based_on": a.revision(at), "edits": []any{edit}})
	require.Regexp(t, "^S3 sinks: its end turned from .* degrees from vertical since 2025", a.ok("GET", at+"/limbs/S3", nil)["course"])
}

func TestAThinWhipAtAKneeHighWireMayBeBentInPlaceOfTheCut(t *testing.T) {
	a := start(t, "2027-03-10")
	says := func(code string, trunkMM float64) string {
		got := a.ok("POST", lt+"/trees", object{
			"code": code, "kind": "apple", "form": "step-over", "planted": "2027-03-05", "as_whip": true, "class": "dwarfing", "x": 11.0, "y": 3.0, "height_m": 1.4, "trunk_mm": trunkMM,
		})
		train := a.ok("GET", lt+"/trees/"+got["tree"].(object)["id"].(string)+"/training", nil)
		require.NotNil(t, train["planting"])
		return fmt.Sprint(train["planting"].(object)["says"])
	}
	require.Contains(t, says("X1", 10), "Or bend it instead of cutting")
	require.NotContains(t, says("X2", 45), "Or bend it", "too thick to lie along a wire so low")
}
