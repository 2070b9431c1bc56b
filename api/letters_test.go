package api_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/require"
)

// A letter on a slip's step, or on what it leaves, is the letter of that finding on the bench beside it, on any day of the year.
func TestALetterIsTheSameFindingOnSlipAndBench(t *testing.T) {
	told := map[string]int{}
	for n, on := range []string{"2027-02-20", "2027-07-05", "2027-09-25"} {
		a := start(t, "2027-02-20")
		a.today = day(on)
		for _, id := range a.keep(lt, func(k int) bool { return k%2 == n%2 }) {
			at := lt + "/trees/" + id + "/map"
			bench := a.ok("GET", at, nil)
			if bench["mapped"] != true {
				continue
			}
			if bench["carry"] != nil {
				bench = a.ok("POST", at+"/carry", object{"based_on": a.revision(at)})
			}
			is := map[string]string{} // by letter: what, and on which limbs
			for _, f := range list(bench, "findings") {
				is[f["letter"].(string)] = fmt.Sprint(f["code"], f["limb"], f["also"])
			}
			slip := a.ok("GET", at+"/slip", nil)
			same := func(letter any, code, limb any) {
				if letter == nil || letter == "" {
					return
				}
				told[on]++
				require.Contains(t, is, letter, "%s on %s: %v %v has a letter the bench has not", id, on, code, limb)
				require.Contains(t, is[letter.(string)], fmt.Sprint(code), "%s on %s: %v is %v %v on the slip", id, on, letter, code, limb)
				require.Contains(t, is[letter.(string)], fmt.Sprint(limb), "%s on %s: %v is %v %v on the slip", id, on, letter, code, limb)
			}
			for _, of := range []string{"steps", "left", "carried", "look_first"} {
				for _, s := range list(slip, of) {
					if of == "steps" {
						letters, keys := s["letters"].([]any), s["findings"].([]any)
						for k, key := range keys {
							if len(letters) == len(keys) {
								same(letters[k], key.(object)["code"], key.(object)["limb"])
							}
						}
						continue
					}
					f := s["finding"].(object)
					same(s["letter"], f["code"], f["limb"])
				}
			}
		}
	}
	for _, n := range told {
		require.Greater(t, n, 10)
	}
}
