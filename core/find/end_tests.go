package find

import (
	"maps"
	"slices"

	"vertumna/core/given"
)

// EndTest is one of the tests a person makes when the cutting is done, or before it starts.
type EndTest struct {
	Slug, Name, How string
	Words           [2]string // what it may have come to, the good one first
}

// EndTests lists the end tests (work.md#fine-points, fine point 16).
func EndTests() []EndTest { return endTests }

// AllPassed says whether every end test came to its good answer.
func AllPassed(answers map[string]string) bool {
	for _, t := range endTests {
		if answers[t.Slug] != t.Words[0] {
			return false
		}
	}
	return true
}

// CheckAnswers names the answers, by the slug of a test, that nobody asks for.
func CheckAnswers(answers map[string]string) (out given.Faults) {
	for _, slug := range slices.Sorted(maps.Keys(answers)) {
		expected := "an end test"
		for _, t := range endTests {
			if t.Slug == slug {
				expected = t.Words[0] + " or " + t.Words[1]
				if slices.Contains(t.Words[:], answers[slug]) {
					expected = ""
				}
			}
		}
		if expected != "" {
			out = append(out, given.Fault{Code: "bad_test", Field: "end_tests." + slug, Given: answers[slug], Expected: expected})
		}
	}
	return out
}

var passed = [2]string{"passed", "failed"}

var endTests = []EndTest{
	{"see-through", "See through it", "stand back: can you see what is behind the tree?", passed},
	{"hand", "Swing a hand", "swing a hand between the limbs", passed},
	{"hat", "Drop a hat", "drop a hat through the middle", passed},
	{"ball", "Throw a ball", "throw a ball through the crown", passed},
	{"shake", "Shake and listen", "shake each limb: does it knock on another?", passed},
	{"low-flowers", "Flower twigs low inside", "look for flower twigs low inside the crown", [2]string{"seen", "not-seen"}},
}
