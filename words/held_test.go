package words_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"vertumna/core/cut"
	"vertumna/words"
)

func TestWhoTakesOverIsSaidForThisYearAndForWhenAllIsDone(t *testing.T) {
	for _, c := range []struct {
		top  cut.Top
		says string
	}{
		{cut.Top{Now: 300, This: 240, Done: 240, Heir: "S1.2"}, "S1.2 takes over"},
		{cut.Top{Now: 300, This: 240, Done: 240, Bud: true}, "a bud takes over"},
		{cut.Top{Now: 300, This: 240, Done: 240}, "its end goes"},
		{cut.Top{Now: 300, This: 270, Done: 230, Heir: "S1.2", Later: "S1.1"}, "S1.2 takes over, S1.1 when done"},
		{cut.Top{Now: 300, This: 300, Done: 230, Later: "S1.1"}, "S1.1 takes over when it comes down"},
		{cut.Top{Now: 300}, "it goes whole"},
		{cut.Top{Now: 300, This: 300}, "it goes whole when done"},
		{cut.Top{Now: 300, This: 240, Heir: "S1.2"}, "S1.2 takes over, and it goes whole when done"},
		{cut.Top{Now: 240, This: 240, Done: 240}, ""},
	} {
		assert.Equal(t, c.says, words.Speaker{}.TakesOver(c.top))
	}
}
