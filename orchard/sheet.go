package orchard

import (
	"context"
	"math"
	"slices"
	"strings"

	"vertumna/core/almanac"
	"vertumna/core/walk"
	"vertumna/core/year"
	"vertumna/store"
	"vertumna/words"
)

// SheetBody is a day's work in the hand: trees in the order they are walked to, with what to bring.
type SheetBody struct {
	Day      almanac.Day    `json:"day"`
	Asked    float64        `json:"asked_minutes" doc:"0: all there is"`
	Minutes  float64        `json:"minutes"`
	Metres   float64        `json:"metres"`
	Stops    []StopBody     `json:"stops" nullable:"false"`
	Left     []LeftOutBody  `json:"left" nullable:"false" doc:"what does not fit the time, with what that costs"`
	Carry    []CarryBody    `json:"carry" nullable:"false"`
	Ladder   string         `json:"ladder,omitempty" doc:"which trees need one or a pole, and the same day without"`
	Cleaning string         `json:"cleaning"`
	Marks    []BodyMarkBody `json:"marks" nullable:"false" doc:"heights on the body of who works"`
	Safety   []string       `json:"safety" nullable:"false"`
}

// StopBody is a tree on the walk.
type StopBody struct {
	TreeID   string         `json:"tree_id"`
	Code     string         `json:"code"`
	Name     string         `json:"name"`
	KindName string         `json:"kind_name"`
	Health   string         `json:"health" enum:"clean,sick,cankered"`
	Mapped   bool           `json:"mapped"`
	Minutes  float64        `json:"minutes"`
	Facts    []string       `json:"facts" nullable:"false" doc:"what matters at it today"`
	Clean    string         `json:"clean,omitempty" doc:"what is cleaned before the next tree"`
	Jobs     []SheetJobBody `json:"jobs" nullable:"false"`
}

// SheetJobBody is a job at a tree.
type SheetJobBody struct {
	Task     string      `json:"task"`
	Kind     string      `json:"kind"`
	Title    string      `json:"title"`
	Says     string      `json:"says"`
	Minutes  float64     `json:"minutes"`
	Closes   almanac.Day `json:"closes"`
	Cuts     int         `json:"cuts"`
	Tools    string      `json:"tools,omitempty"`
	Slip     bool        `json:"slip" doc:"its steps are those of the tree's slip"`
	Cautions []string    `json:"cautions" nullable:"false"`
}

// LeftOutBody is a job that does not fit.
type LeftOutBody struct {
	Code  string `json:"code"`
	Title string `json:"title"`
	Costs string `json:"costs"`
}

// CarryBody is a thing to bring, and for what.
type CarryBody struct {
	What string `json:"what"`
	For  string `json:"for"`
}

// BodyMarkBody is a height on a person.
type BodyMarkBody struct {
	Name string  `json:"name"`
	CM   float64 `json:"cm"`
}

// notWalked are jobs that are no work at a tree.
var notWalked = map[year.TaskKind]bool{year.Tools: true}

// Sheet is the walk of a day: which jobs fit the minutes, in which order, with what to bring. minutes 0: all.
func (k *Keeper) Sheet(ctx context.Context, slug string, day almanac.Day, minutes float64) (*SheetBody, error) {
	if !day.Known() {
		day = k.today()
	}
	p, err := k.Plan(ctx, slug, day)
	if err != nil {
		return nil, err
	}
	marks, err := k.store.MapsAsOf(ctx, p.Contents.Orchard.ID, day)
	if err != nil {
		return nil, err
	}
	out := &SheetBody{Day: day, Asked: minutes, Stops: []StopBody{}, Left: []LeftOutBody{}, Carry: []CarryBody{}, Marks: []BodyMarkBody{}, Safety: p.Speaker.BenchSafety()}
	d := walk.Day{Minutes: minutes, Start: gate(&p.Contents.Orchard.Plot), Walls: wallsOf(&p.Contents.Orchard.Plot), Beds: bedsOf(&p.Contents.Orchard.Plot), Paths: outlines[walk.Path](&p.Contents.Orchard.Plot, "path")}
	tasks := map[string]*year.Task{}
	for _, list := range [][]year.Task{p.Docket.Now, p.Docket.Closing, p.Docket.Anytime} {
		for i := range list {
			t := &list[i]
			if t.Tree == "" || notWalked[t.Kind] || day < t.Window.Opens.Day || day > t.Window.Closes.Day {
				continue
			}
			tasks[t.ID] = t
			facts, _ := t.Kind.Facts()
			at := slices.IndexFunc(d.Stops, func(s walk.Stop) bool { return s.ID == t.Tree })
			if at < 0 {
				tree := p.treeShown(t.Tree)
				if tree == nil {
					continue
				}
				health := k.healthOf(ctx, p, tree, marks[t.Tree], day)
				at = len(d.Stops)
				d.Stops = append(d.Stops, walk.Stop{ID: t.Tree, Label: tree.Tree.Code, X: tree.Tree.X, Y: tree.Tree.Y, Health: health})
			}
			d.Stops[at].Jobs = append(d.Stops[at].Jobs, walk.Job{ID: t.ID, Minutes: t.Minutes, Harm: facts.Harm, Closing: t.Group == year.ClosingSoon})
		}
	}
	made := walk.Of(d)
	out.Minutes, out.Metres = math.Round(made.Minutes), math.Round(made.Metres)
	for i, s := range made.Stops {
		next := walk.Clean
		if i+1 < len(made.Stops) {
			next = made.Stops[i+1].Health
		}
		out.Stops = append(out.Stops, p.stop(s, tasks, marks[s.ID], i+1 < len(made.Stops), next))
	}
	for _, l := range made.Left {
		t := tasks[l.Job.ID]
		out.Left = append(out.Left, LeftOutBody{p.treeShown(l.Stop).Tree.Code, p.Speaker.Title(t), p.Speaker.Costs(t)})
	}
	out.bring(p, made, tasks)
	fingertip := p.Yard.FingertipCM
	for _, m := range walk.MarksOf(fingertip) {
		out.Marks = append(out.Marks, BodyMarkBody{m.Name, m.CM})
	}
	return out, nil
}

var healthNames = [...]string{"clean", "sick", "cankered"}

func (p *Planned) stop(s walk.Stop, tasks map[string]*year.Task, mark store.MapMark, more bool, next walk.Health) StopBody {
	tp := p.treeShown(s.ID)
	b := StopBody{TreeID: s.ID, Code: tp.Tree.Code, Name: tp.Tree.Name, KindName: tp.Tree.Kind.Name, Health: healthNames[s.Health], Mapped: mark.Revision > 0, Facts: p.Speaker.StopFacts(tp), Jobs: []SheetJobBody{}}
	if more && (s.Health > walk.Clean || next > walk.Clean || tp.School.Value("cleaning") != "") {
		b.Clean = words.CleanNext(tp.School.Value("cleaning"), int(s.Health))
	}
	for _, j := range s.Jobs {
		t := tasks[j.ID]
		job := SheetJobBody{Task: t.ID, Kind: string(t.Kind), Title: p.Speaker.Title(t), Minutes: math.Round(t.Minutes), Closes: t.Window.Closes.Day, Slip: t.Kind.BySlip() && b.Mapped, Cautions: p.Speaker.Cautions(t.Cautions)}
		if len(t.Reasons) > 0 {
			job.Says = p.Speaker.Reason(t.Reasons[0])
		}
		if says := p.waitsForWeather(t); says != "" {
			job.Says = says + " " + job.Says
		}
		if w := t.Work; w != nil {
			job.Cuts, job.Tools = w.Cuts, w.Tools
		}
		b.Minutes += t.Minutes
		b.Jobs = append(b.Jobs, job)
	}
	b.Minutes = math.Round(b.Minutes)
	return b
}

// bring gathers what is carried, and whether a ladder is.
func (out *SheetBody) bring(p *Planned, made walk.Plan, tasks map[string]*year.Task) {
	fors := map[string][]string{}
	var order []string
	add := func(what, code string) {
		if len(fors[what]) == 0 {
			order = append(order, what)
		}
		if !slices.Contains(fors[what], code) {
			fors[what] = append(fors[what], code)
		}
	}
	var high []string
	cleaning := ""
	for _, s := range made.Stops {
		tp := p.treeShown(s.ID)
		cleaning = tp.School.Value("cleaning")
		for _, j := range s.Jobs {
			t := tasks[j.ID]
			if w := t.Work; w != nil {
				for _, tool := range strings.Split(w.Tools, ", ") {
					if tool != "" && w.Cuts > 0 {
						add(tool, s.Label)
					}
				}
				if p.Yard.FingertipCM > 0 && w.HighCM > p.Yard.FingertipCM && !slices.Contains(high, s.Label) {
					high = append(high, s.Label)
				}
			}
			for _, what := range words.CarryFor(t.Kind) {
				add(what, s.Label)
			}
		}
	}
	for _, what := range order {
		out.Carry = append(out.Carry, CarryBody{what, strings.Join(fors[what], ", ")})
	}
	out.Cleaning = words.Cleaning(cleaning)
	out.Ladder = words.Ladder(high)
}

// healthOf is how a tree is touched: by what was seen on its map, and what was logged of it this season; by that alone where its map
// cannot be read, which was told when the tree was planned.
func (k *Keeper) healthOf(ctx context.Context, p *Planned, tp *year.TreePlan, mark store.MapMark, day almanac.Day) walk.Health {
	out := walk.Clean
	if p.sickSeen(tp.Tree.ID, day) > 0 {
		out = walk.Sick
	}
	if mark.Revision == 0 {
		return out
	}
	seen, err := k.healths.of(mapKey{tree: tp.Tree.ID, mark: mark}, func() (walk.Health, error) {
		m, err := k.checked(ctx, tp.Tree.ID, mark)
		if err != nil {
			return walk.Clean, err
		}
		return walk.HealthOf(m), nil
	})
	if err != nil {
		return out
	}
	return max(out, seen)
}

// sickSeen counts what was logged of catching sickness on a tree within the year before a day.
func (p *Planned) sickSeen(tree string, day almanac.Day) (n int) {
	for i := range p.Contents.Entries {
		if e := &p.Contents.Entries[i]; e.TreeID == tree && e.Kind == "seen" && e.Date <= day && e.Date > day-365 && walk.Catching(e.Agent) {
			n++
		}
	}
	return n
}

// gate is where the walk begins: the plot's first corner.
func gate(plot *store.Plot) [2]float64 {
	if len(plot.Outline) == 0 {
		return [2]float64{}
	}
	return [2]float64{plot.Outline[0].X, plot.Outline[0].Y}
}

// wallsOf are what one walks round.
func wallsOf(plot *store.Plot) []walk.Wall {
	return outlines[walk.Wall](plot, "wall", "fence", "hedge")
}

// bedsOf are what nobody walks on.
func bedsOf(plot *store.Plot) []walk.Bed { return outlines[walk.Bed](plot, "bed", "shed", "water") }

// outlines are the places of what stands on a plot, of some kinds.
func outlines[T ~[][2]float64](plot *store.Plot, kinds ...string) []T {
	var out []T
	for _, f := range plot.Features {
		if !slices.Contains(kinds, f.Kind) {
			continue
		}
		var line T
		for _, pt := range f.Points {
			line = append(line, [2]float64{pt.X, pt.Y})
		}
		out = append(out, line)
	}
	return out
}
