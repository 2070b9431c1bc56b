package api_test

import (
	"fmt"
	"net/http"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/require"

	"vertumna/api"
	"vertumna/core/almanac"
)

const helped = lt + "/trees/lower-terrace-C2"

func TestAHelpersAnswersComeBackForTheOwnerToTakeIn(t *testing.T) {
	a := start(t, "2027-03-10")
	slip := a.ok("GET", helped+"/map/slip", nil)
	link := a.ok("POST", helped+"/helpers", object{"days": 7, "note": "mind the nest in the hedge"})
	path := strings.Replace(link["path"].(string), "/h/", "/api/help/", 1)
	page := a.ok("GET", path, nil)
	require.Equal(t, list(slip, "steps")[0]["title"], list(page["page"].(object), "steps")[0]["title"])
	require.NotEmpty(t, list(page["page"].(object), "limbs"))
	for _, other := range []string{"lower-terrace", "C3", "Weir Russet", "Runa"} { // no names, no other trees
		require.NotContains(t, fmt.Sprint(page), other)
	}

	before := len(a.all(lt + "/entries?all=true"))
	answer := func(id string, step int, choice string, more ...any) object {
		body := object{"id": "answer-" + id, "step": step, "choice": choice}
		for i := 0; i+1 < len(more); i += 2 {
			body[more[i].(string)] = more[i+1]
		}
		return body
	}
	first := list(slip, "steps")[0]
	for _, x := range []object{
		answer("1", 1, "left"), answer("2", 1, "taken", "d_mm", first["d_mm"]), answer("3", 2, "could-not", "note", "too high for me"), answer("4", 3, "taken"),
		answer("5", 0, "note", "note", "the tie on the stake is loose"), answer("4", 3, "taken"),
	} {
		a.ok("POST", path+"/answers", x)
	}
	a.refused(422, "d_mm", "in millimetres", "POST", path+"/answers", answer("6", 1, "taken", "d_mm", 500))
	a.refused(422, "step", "a step of this page", "POST", path+"/answers", answer("7", 99, "taken"))
	a.refused(409, "id", "", "POST", path+"/answers", answer("4", 2, "taken"))
	require.Len(t, a.all(lt+"/entries?all=true"), before, "nothing is written before the owner says so")

	got := a.all(helped + "/helpers")
	require.Len(t, got, 1)
	require.Equal(t, 4.0, got[0]["waiting"])
	id := got[0]["id"].(string)
	// one by one, then the rest
	got1 := a.ok("POST", helped+"/helpers/"+id+"/take-in", object{"steps": []int{1}})
	require.Equal(t, 3.0, got1["waiting"])
	got2 := a.ok("POST", helped+"/helpers/"+id+"/take-in", object{"steps": []int{}})
	require.Equal(t, 0.0, got2["waiting"])
	a.refused(422, "steps", "", "POST", helped+"/helpers/"+id+"/take-in", object{"steps": []int{}})

	cuts, left, notes := 0, 0, ""
	for _, e := range a.all(lt + "/entries?all=true&tree=lower-terrace-C2") {
		if e["who"] != "a helper" {
			continue
		}
		cuts += len(made(e))
		if e["kind"] == "slip" {
			left++
		}
		notes += fmt.Sprint(e["note"])
	}
	require.Equal(t, 2, cuts)
	require.Equal(t, 1, left)
	require.Contains(t, notes, "the tie on the stake is loose")
	require.Contains(t, notes, "too high for me")
	now := a.ok("GET", helped+"/map", nil)
	require.NotContains(t, fmt.Sprint(now["map"]), fmt.Sprint("id:", first["cut"].(object)["limb"], " "))
}

func TestALinkOfAHelperEnds(t *testing.T) {
	a := start(t, "2027-03-10")
	link := a.ok("POST", helped+"/helpers", object{"days": 1})
	path := strings.Replace(link["path"].(string), "/h/", "/api/help/", 1)
	a.refused(404, "", "", "GET", "/api/help/AAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA", nil)
	status, _ := a.send("DELETE", helped+"/helpers/"+link["id"].(string), nil)
	require.Equal(t, 204, status)
	a.refused(410, "link", "ask who gave it to you", "GET", path, nil)
	a.refused(410, "link", "", "POST", path+"/answers", object{"id": "answer-1", "step": 1, "choice": "taken"})

	link = a.ok("POST", helped+"/helpers", object{"days": 1})
	path = strings.Replace(link["path"].(string), "/h/", "/api/help/", 1)
	later := func() time.Time { return time.Date(2027, 2, 22, 9, 0, 0, 0, time.UTC) } // the program's clock in these tests stands at 20 February
	h := api.New(api.Config{Store: a.store, Keeper: keeper(a.store, a.today), Today: func() almanac.Day { return a.today }, Now: later, Log: quiet})
	status, p, _ := visit(t, h, "127.0.0.1").send("GET", path, nil, "Host", "localhost")
	require.Equal(t, http.StatusGone, status)
	require.Contains(t, fmt.Sprint(p), "ended on 2027-02-21")
}

// The tree was changed after the link was given out: the owner is told, and nothing is half taken in.
func TestAnswersToATreeThatChangedAreNotTakenInBlindly(t *testing.T) {
	a := start(t, "2027-03-10")
	link := a.ok("POST", helped+"/helpers", object{"days": 7})
	path := strings.Replace(link["path"].(string), "/h/", "/api/help/", 1)
	a.ok("POST", path+"/answers", object{"id": "answer-1", "step": 1, "choice": "taken"})
	slip := a.ok("GET", helped+"/map/slip", nil)
	a.ok("POST", helped+"/map/slip/log", object{"based_on": slip["revision"], "cuts": []any{object{"cut": list(slip, "steps")[0]["cut"]}}})
	status, p := a.send("POST", helped+"/helpers/"+link["id"].(string)+"/take-in", object{"steps": []int{}})
	require.Equal(t, 409, status, "%v", p)
	require.Equal(t, 1.0, a.all(helped + "/helpers")[0]["waiting"])
}

func made(e object) []any {
	cuts, _ := e["made"].([]any)
	return cuts
}
