package pomology

import (
	"fmt"
	"slices"
	"sort"
)

// FormSlug names a form; the slugs are those of limbs.md#0-input.
type FormSlug string

// The forms.
const (
	OpenVase       FormSlug = "open-vase"
	LowBush        FormSlug = "low-bush"
	ModifiedLeader FormSlug = "modified-leader"
	CentralLeader  FormSlug = "central-leader"
	WireTiers      FormSlug = "wire-tiers"
	FlatFan        FormSlug = "flat-fan"
	StepOver       FormSlug = "step-over"
	Shrub          FormSlug = "shrub"
	LateLeader     FormSlug = "late-leader" // a leader kept inside a vase: bare below, a small crown on top
	SlimLeader     FormSlug = "slim-leader" // one trunk, short side limbs renewed before they thicken
	FourArm        FormSlug = "four-arm"    // a vase of exactly four limbs, two to each side of the row
)

// frames are the forms that are a way of another: what takes that one takes them, and they are cut, read and drawn as it is
// unless a rule says otherwise.
var frames = map[FormSlug]FormSlug{LateLeader: OpenVase, FourArm: OpenVase, SlimLeader: CentralLeader}

// Frame is the form that a form is a way of; itself where it stands alone.
func (f FormSlug) Frame() FormSlug {
	if of, ok := frames[f]; ok {
		return of
	}
	return f
}

// Takes says whether a form suits the kind: by its own list, or as a way of one that stands there.
func (k *Kind) Takes(f FormSlug) bool {
	return slices.Contains(k.Forms, f) || slices.Contains(k.Forms, f.Frame())
}

// Form describes a form and its wanted outline.
type Form struct {
	Slug       FormSlug
	Name       string
	Flat       bool    // against a wall or on wires: depth well under width
	HeightM    float64 // usual top when held low; the reach line may ask for less
	DepthM     float64 // flat forms: front to back
	WidthShare float64 // of the kind's spread at its vigour class, once held low
	ExtraHours float64 // hours a year beyond a free-standing tree of the kind
	Scaffolds  string
	Sentence   string
}

// forms: heights, widths and hours are our estimates from common small-garden practice.
var forms = []Form{
	{OpenVase, "open vase", false, 2.3, 0, 0.75, 0, "3-5", "three to five limbs round an open middle; light reaches all of it, and the fruit hangs low"},
	{LowBush, "low bush", false, 1.8, 0, 0.65, 0, "4-6", "everything held at shoulder height by a cut at the solstice"},
	{ModifiedLeader, "modified leader", false, 2.6, 0, 0.7, 0, "4-6", "a trunk stopped 45-50 cm above its top limb"},
	{CentralLeader, "central leader", false, 2.8, 0, 0.6, 0, "4-6 a tier", "a narrow cone of tiers on one trunk"},
	{WireTiers, "tiers on wires", true, 2.0, 0.5, 0.9, 2, "two arms a wire", "level arms on wires, one above the other"},
	{FlatFan, "flat fan", true, 2.1, 0.5, 0.9, 2, "8-12 ribs", "ribs spread like a hand against a wall"},
	{StepOver, "one-wire step-over", true, 0.6, 0.4, 1, 1, "two arms", "two level arms at knee height beside a path"},
	{LateLeader, "late leader inside a vase", false, 2.5, 0, 0.75, 0, "3-5", "an open vase with one limb kept in its middle, bare below, its small crown on top"},
	{SlimLeader, "slim leader", false, 2.7, 0, 0.4, 0, "8-12 short ones", "one staked trunk with short, level side limbs all the way up, each renewed before it thickens"},
	{FourArm, "four arms", false, 2.4, 0, 0.7, 0, "4", "four limbs a quarter turn apart, two to each side of the row, and light between them"},
	{Shrub, "shrub of 4-6 stems", false, 2.2, 0, 0.8, 0, "4-6 stems", "stems from the ground, the oldest renewed at the ground"},
}

// Forms lists all forms.
func Forms() []Form { return forms }

// FormBySlug finds a form.
func FormBySlug(slug FormSlug) (Form, error) {
	for _, f := range forms {
		if f.Slug == slug {
			return f, nil
		}
	}
	return Form{}, fmt.Errorf("form: %q given, a form of the table expected", slug)
}

// Site facts the adviser asks for.
type Site struct {
	WetWinter, HumidSummer, StrongSun bool
}

// AdviserInput is what the form adviser needs to know of one tree. Absent numbers are 0.
type AdviserInput struct {
	Kind          *Kind
	Class         VigourClass
	WallWithinCM  float64 // distance to the nearest wall or fence; 0 when none stands near
	HasWall       bool
	PathInSpread  bool
	ShadesABed    bool
	ReachM        float64
	Site          Site
	HoursFree     float64 // hours a year the person has for this tree; 0 unknown
	AgeYears      int
	Present       FormSlug // the form it has now, if any
	InsideTwigsOK bool     // the school leaves twigs inside for shade
	School        string   // value of the school's choice of form; "by-kind" or empty asks for none
}

// Point is one reason of the adviser: what it added to or took off the score.
type Point struct {
	Rule   string  // slug of the rule
	Points float64 // signed
}

// Outline is the wanted width and height of a form at an age. Metres.
type Outline struct {
	AgeYears        int
	HeightM, WidthM float64
}

// Advice is one form with what speaks for it.
type Advice struct {
	Form          Form
	Score         float64
	Reasons       []Point
	GroundM2      float64
	HeightM       float64
	HoursAYear    float64
	CropKG        float64 // a year, once it bears in full
	YearsToCrop   int
	Outlines      []Outline
	KeepsPresent  bool
	PresentReason string
}

// Advise scores the forms a kind allows and returns the best three. An older tree keeps what it has: its present form
// then stands first, with the reason.
func Advise(in AdviserInput) []Advice {
	var out []Advice
	forms := in.Kind.Forms
	if asked := FormSlug(in.School); frames[asked] != "" && in.Kind.Takes(asked) && !slices.Contains(forms, asked) {
		forms = append(slices.Clone(forms), asked)
	}
	for rank, slug := range forms {
		if of := slices.Index(in.Kind.Forms, slug.Frame()); of >= 0 {
			rank = of // a way of a form is taken as well as that form
		}
		weak := in.Class == Dwarfing || in.Class == VeryDwarfing
		if slug.Frame() == CentralLeader && !weak && (in.Class != SemiDwarfing || slug == SlimLeader) {
			continue // a strong stock outgrows it
		}
		f, _ := FormBySlug(slug)
		a := Advice{Form: f, Reasons: append([]Point{{"kinds-order", float64(max(1, 5-rank))}}, sitePoints(f, in)...)}
		for _, p := range a.Reasons {
			a.Score += p.Points
		}
		size, _, _ := in.Kind.SizeFor(in.Class)
		a.HeightM = min(f.HeightM, size.HeightM)
		if in.ReachM > 0 && f.Slug != ModifiedLeader && f.Slug.Frame() != CentralLeader {
			a.HeightM = min(a.HeightM, in.ReachM)
		}
		a.GroundM2 = groundM2(f, size)
		a.CropKG = fullCropKG(in.Kind, f, size, a.HeightM)
		a.HoursAYear = float64(in.Kind.Care.HoursAYear) + f.ExtraHours
		a.YearsToCrop = in.Kind.Care.YearsToFullCrop
		for _, age := range []int{2, 4, 8} {
			a.Outlines = append(a.Outlines, WantedOutline(f, size, a.HeightM, a.YearsToCrop, age))
		}
		out = append(out, a)
	}
	sort.SliceStable(out, func(i, j int) bool { return out[i].Score > out[j].Score })
	if in.Present != "" && in.AgeYears >= 4 {
		for i, a := range out {
			if a.Form.Slug == in.Present {
				a.KeepsPresent, a.PresentReason = true, "older-keeps-its-form"
				out = append([]Advice{a}, append(out[:i:i], out[i+1:]...)...)
				break
			}
		}
	}
	return out[:min(3, len(out))]
}

func sitePoints(f Form, in AdviserInput) []Point {
	var ps []Point
	is := func(slugs ...FormSlug) bool {
		for _, s := range slugs {
			if s == f.Slug {
				return true
			}
		}
		return false
	}
	add := func(when bool, rule string, points float64) {
		if when {
			ps = append(ps, Point{rule, points})
		}
	}
	nearWall := in.HasWall && in.WallWithinCM <= 60
	add(nearWall && f.Flat, "wall-close", 4)
	add(nearWall && !f.Flat, "wall-close", -3)
	add(in.PathInSpread && is(WireTiers, StepOver, LowBush), "path-in-spread", 2)
	low := in.ReachM > 0 && in.ReachM < 2.2
	add(low && is(LowBush, StepOver), "short-reach", 2)
	add(low && is(CentralLeader, SlimLeader), "short-reach", -3)
	add(low && is(ModifiedLeader), "short-reach", -1)
	add((in.Site.HumidSummer || in.Site.WetWinter) && is(OpenVase, FourArm, SlimLeader, WireTiers), "air-in-wet-places", 1)
	add(in.Site.StrongSun && is(LowBush, ModifiedLeader), "strong-sun", 1)
	add(in.Site.StrongSun && is(OpenVase, FourArm) && in.Kind.Family == "peach" && !in.InsideTwigsOK, "sunscald-of-bark", -1)
	add(in.ShadesABed && is(StepOver), "bed-behind", 2)
	add(in.School == string(f.Slug) || in.School == "flat" && f.Flat, "school-form", 5)
	need := float64(in.Kind.Care.HoursAYear) + f.ExtraHours
	add(in.HoursFree > 0 && need > in.HoursFree, "hours", -min(3, need-in.HoursFree))
	return ps
}

func groundM2(f Form, s Size) float64 {
	w := s.SpreadM * f.WidthShare
	if f.Flat {
		return w * f.DepthM
	}
	return 0.785 * w * w
}

// Leaf over the ground that a form covers, and over the face of a flat one, once it is full (our estimates).
const (
	leafOverGround = 2.0
	leafOfLeader   = 2.4 // light comes in at every height
	leafOverFace   = 1.3
)

// fullCropKG is what a form bears a year once it stands: the leaf that its ground or its face holds, parted by the leaf that
// one fruit of medium size wants. Source: crop.md#i-tables; leaf over ground our estimate.
func fullCropKG(k *Kind, f Form, s Size, heightM float64) float64 {
	c := k.Crop
	if c.LeavesPerFruit <= 0 || c.LeafCM2 <= 0 {
		return 0
	}
	leaf := leafOverGround * groundM2(f, s)
	switch {
	case f.Flat:
		leaf = leafOverFace * s.SpreadM * f.WidthShare * heightM
	case f.Slug.Frame() == CentralLeader || f.Slug == ModifiedLeader:
		leaf = leafOfLeader * groundM2(f, s)
	}
	return leaf / (c.LeavesPerFruit * c.LeafCM2 / 1e4) * c.MassG / 1000
}

// WantedOutline is the outline a form should have at an age: it grows toward its full size with the kind's years to full
// crop (1 - exp(-2.3 age/years): nine tenths at full crop; our estimate).
func WantedOutline(f Form, s Size, heightM float64, yearsToCrop, age int) Outline {
	share := 1 - expNeg(2.3*float64(age)/float64(max(1, yearsToCrop)))
	return Outline{age, heightM * share, s.SpreadM * f.WidthShare * share}
}
