package year

import (
	"slices"
	"strings"

	"vertumna/core/almanac"
	"vertumna/core/training"
)

// The life of a device.
const (
	CheckTies   TaskKind = "check-ties"   // a look at what bends or holds a limb, or at a stake or prop after wind
	TakeOff     TaskKind = "take-off"     // the end of a device
	ReleaseTest TaskKind = "release-test" // the test that lets a device go
)

var (
	checkTiesFacts   = TaskFacts{Mark: CareMark, Minutes: 5, Instead: "check-today", Harm: 3}
	takeOffFacts     = TaskFacts{Mark: CareMark, Minutes: 10, Instead: "take-off-today", Harm: 3}
	releaseTestFacts = TaskFacts{Mark: CareMark, Minutes: 10, Instead: "test-still", Harm: 1}
)

// Clocked is a device that is on with its clock.
type Clocked struct {
	training.OnTree
	training.Clock
}

// clocked are the devices on the tree on the day shown, with their clocks.
func (c *context) clocked() []Clocked {
	var acts []training.DatedAct
	add := func(e Entry, a training.RigAct) {
		acts = append(acts, training.DatedAct{RigAct: a, Day: int(e.Date)})
	}
	var plain []string // devices logged without one of their own
	for _, e := range c.entries {
		switch {
		case e.Kind != WorkEntry || e.Outcome != Done && e.Outcome != Part:
		case e.Rig != nil:
			add(e, *e.Rig)
		case e.Task == Bend:
			device := e.Device
			if device == "" {
				device = "tie"
			}
			plain = append(plain, e.ID)
			add(e, training.RigAct{Act: "on", Rig: training.Rig{ID: e.ID, Device: device}})
		case e.Task == CheckTies && e.TaskID != "":
			if id := rigInID(e.TaskID); id != "" {
				add(e, training.RigAct{Act: "look", Found: "sits", Rig: training.Rig{ID: id}})
			}
		case e.Task == TakeOff && e.Outcome == Done:
			id := rigInID(e.TaskID)
			if !slices.Contains(plain, id) && len(plain) > 0 {
				id = plain[0]
			}
			plain = slices.DeleteFunc(plain, func(p string) bool { return p == id })
			add(e, training.RigAct{Act: "off", Rig: training.Rig{ID: id}})
		}
	}
	bud, slow := c.a.Day(almanac.BudBreak.String()), c.a.Day(almanac.ShootSlowing.String())
	if !bud.Known() || !slow.Known() || slow <= bud {
		return nil
	}
	var out []Clocked
	gusts := c.gusts()
	for _, o := range training.ReplayRigs(acts) {
		o.Gusts = gusts
		o.BudBreak, o.Slowing, o.School = int(bud), int(slow), c.school.Value("bend_time")
		for o.OnDay > o.Slowing { // its clock runs from the spring that follows
			o.BudBreak, o.Slowing = o.BudBreak+365, o.Slowing+365
		}
		for o.OnDay < o.BudBreak-330 {
			o.BudBreak, o.Slowing = o.BudBreak-365, o.Slowing-365
		}
		if clock, err := training.ClockOf(o, int(c.shown)); err == nil {
			out = append(out, Clocked{o, clock})
		}
	}
	return out
}

// rigInID is the device that a task's id names.
func rigInID(taskID string) string {
	parts := strings.Split(taskID, ".")
	for i := 1; i+2 < len(parts); i++ {
		if k := TaskKind(parts[i]); k == CheckTies || k == TakeOff || k == ReleaseTest {
			return parts[i+2]
		}
	}
	return ""
}

// devices: every tie, spreader, weight and peg is looked at a week after it went on and monthly in growth, let go for a test before
// growth slows, and comes off; what is over its day stays until it is off.
func devices(c *context) []draft {
	var out []draft
	from, to := Rail(c.season, c.south)
	book := func(o Clocked, kind TaskKind, n int, day almanac.Day, days int, why string) {
		if day > to || day < from && kind != TakeOff {
			return
		}
		at := logged(day, 0)
		r := at.reason(why).said(o.Device)
		r.Rig = &o
		if why == "device-gust" {
			r.Day = day - 1 // the wind blew the day before
		}
		if kind == TakeOff {
			r = r.by("bend_time", o.School)
			r.Rig = &o
		}
		d := draft{kind: kind, key: o.ID, n: n, opens: at, closes: after(at, days), reasons: []Reason{r}}
		if o.Bends() && o.Device != "clothespin" {
			d.cautions = []string{"springs"}
		}
		out = append(out, d)
	}
	for _, o := range c.rigs {
		if o.LoopState == "tight" {
			book(o, CheckTies, 99, c.shown, 3, "device-tight")
		}
		windy := 0
		for i, k := range o.Checks {
			why := map[string]string{"settle": "device-settles", "monthly": "device-monthly", "gust": "device-gust"}[k.Reasons[0]]
			n, days := i+1-windy, 7
			if k.Reasons[0] == "gust" { // its number is its day: those that come each in their turn keep theirs
				windy++
				n, days = k.Day, afterGusts
			}
			book(o, CheckTies, n, almanac.Day(k.Day), days, why)
		}
		if o.TestDay > 0 {
			book(o, ReleaseTest, 0, almanac.Day(o.TestDay), 14, "device-test")
		}
		if o.Moved > 0 {
			book(o, CheckTies, 98, almanac.Day(o.Moved), 14, "device-move")
		}
		if o.RenewBy > 0 && (o.Bound == "material" || o.Standing()) {
			book(o, CheckTies, 97, almanac.Day(o.RenewBy), 28, "device-worn")
		}
		off := almanac.Day(o.OffDay)
		if due := max(off, c.shown); !o.Standing() && due >= from && due <= to { // while it is on it is never over: it stands in the running year
			book(o, TakeOff, 0, off, max(28, int(c.shown-off)+7), "device-set")
		}
	}
	return out
}

// locked are the limbs that a device bends: no cut while it is on.
func (c *context) locked() (n int) {
	for _, o := range c.rigs {
		if !o.Standing() {
			n++
		}
	}
	return n
}
