package growth

import "vertumna/core/pomology"

// The shapes that first sketches are drawn by: lengths in cm, thickness in mm, angles in degrees, shares of what they are
// taken of. All from growth of orchard trees as a grower would draw them (ours; limbs.md#8-procedural-tree).

// span is what a number is drawn from, evenly.
type span struct{ lo, hi float64 }

// some draws a number of a span.
func (s *sketch) some(r span) float64 { return s.draw.Uni(r.lo, r.hi) }

// sketchBounds are what a sketch can be asked for.
const (
	mostSketchYears       = 150
	leastSketchHeightCM   = 30
	leastSketchSpreadCM   = 20
	leastSuggestedM       = 0.3
	trunkOverTipMM        = 5
	youngReaches, agesBy  = 1.25, 0.02 // of a kind's extension: at planting, less a year
	oldReaches, mostReach = 0.7, 1.2
)

// What is the same on every form.
const (
	ringUnit, leastRingCM = 0.9, 10 // of a year's extension
	mostLeanDeg           = 175
	goldenDeg             = 137.5 // one limb after another about its stem
	tipBase, tipOfGrowth  = 0.7, 0.055
	leafPerCM             = 3 // mm² of section a cm of old wood's leaf asks for
	thinOverTipMM         = 3
	leastLimbMM           = 3
	cutEnd                = 0.7 // of a headed stem's thickness, at its end
)

// trunkShape is the stem of a form that is headed: its length, and the growth since, as a share of a year's.
type trunkShape struct{ length, since float64 }

// trunks are the stems of the forms that are headed at a height of their own.
var trunks = map[pomology.FormSlug]trunkShape{
	pomology.LowBush:  {15, 0},
	pomology.FlatFan:  {40, 0},
	pomology.StepOver: {45, 0.5},
}

const (
	trunkGrows, wireTrunkGrows = 1.1, 0.5
	vaseHead                   = 0.25 // of the height
	vaseHeadLow, vaseHeadHigh  = 20, 70
)

// A vase's limbs.
var (
	vaseTurn                 = span{-12, 12}
	vaseEndDeg               = span{22, 35}
	vaseLeanDeg, bushLeanDeg = span{45, 55}, span{20, 35}
	nearlyFull               = span{0.9, 1}
	scaffoldGrows            = span{0.8, 1.2}
)

const (
	vaseStepCM, vaseStep = 8, 0.6
	overSpread           = 1.1
	leastScaffoldCM      = 10
)

// leaderShape is where the limbs of a leader end, as a share of the height, and how much shorter the top one is.
type leaderShape struct{ top, shorter float64 }

var leaders = map[pomology.FormSlug]leaderShape{
	pomology.ModifiedLeader: {0.70, 0.45},
	pomology.CentralLeader:  {0.85, 0.65},
	pomology.SlimLeader:     {0.9, 0.5},
}

const (
	leaderLowCM, leaderLow     = 60, 0.5
	leaderLeanDeg, leanLessDeg = 65, 12 // the lowest limb, and how much steeper the top one
)

var (
	leaderTurn    = span{-10, 10}
	leaderLeanOff = span{-5, 5}
	leaderRights  = span{5, 20}
	leaderFull    = span{0.85, 1}
)

// A fan's ribs and a wire's arms.
const (
	fanFirstDeg, fanSweepDeg   = 80, 150
	fanLeastDeg                = 5
	fanFootCM, fanMiddleCM     = 30, 10
	fanWidest, fanTallest      = 0.25, 0.2 // sines and cosines below count as these
	armLeanDeg, armEndDeg      = 85, 90
	firstWireCM, otherArmLower = 45, 0.5
)

var ribGrows, armGrows = span{0.7, 1}, span{0.6, 0.9}

// A shrub's stems.
const shrubRingCM, shrubRing, shrubOver = 12, 0.1, 1.2

var shrubLeanDeg, shrubOpens = span{10, 22}, span{0, 12}

// The late leader of a vase.
const (
	lateLeanDeg, lateLeastCM  = 3, 30
	lateYears                 = 3
	lateSides                 = 4
	lateFirst, lateStep       = 0.68, 0.08
	lateSideGrows, lateRights = 0.6, 10
)

var lateSideLean, lateSideLength = span{55, 70}, span{0.16, 0.22}

// Side limbs and their shoots.
const (
	sideEveryCM, flatSideEveryCM = 30, 22
	flatFrom, flatOver           = 0.10, 0.85
	sideFrom, sideOver           = 0.30, 0.62
	sideOfRest, sideBaseCM       = 0.40, 22
	steepestSide, flattestSide   = 30, 85
	shootsFromCM, shootEveryCM   = 45, 60
	shootSteepest                = 15
	shootRights                  = 20
	shootEndLow, shootEndHigh    = 10, 80
)

var (
	flatSideCM                 = span{8, 22}
	flatSideOneDeg, flatOther  = span{15, 35}, span{50, 75}
	sideFull, sideTurn         = span{0.75, 1.2}, span{50, 85}
	sideWider, sideGrows       = span{5, 30}, span{0.65, 1.1}
	sideRights                 = span{0, 15}
	shootAt, shootGrows        = span{0.35, 0.8}, span{0.5, 0.95}
	shootTurn, shootLeans      = span{30, 60}, span{-30, 5}
	faultAround, faultAlong    = span{-20, 20}, span{-15, 15}
	hangingTurn                = span{-40, 40}
	suckerCM, sproutCM         = span{70, 130}, span{80, 140}
	inwardCM, hangingCM, lowCM = span{45, 80}, span{40, 70}, span{50, 90}
	sproutAt, inwardAt         = span{0.3, 0.6}, span{0.5, 0.7}
)

// fault is the limb a planted fault adds: how it leans where it starts and ends, and how thick it is.
type fault struct{ a0, a1, d float64 }

var (
	suckerShape     = fault{15, 5, 9}
	sproutShape     = fault{8, 3, 11}
	inwardShape     = fault{60, 55, 9}
	competitorShape = fault{18, 5, 12}
	hangingShape    = fault{95, 140, 9}
	lowShape        = fault{88, 92, 14}
)

const (
	faultOnCM                       = 25 // limbs shorter carry none
	suckerAtCM, lowAtCM             = 2, 22
	crossingShare, crossingMM       = 0.9, 13
	competitorBelowCM, competitorUp = 8, 12
	hangingAt                       = 0.7
	narrowAt, narrowShare           = 0.35, 0.55
	narrowLeanDeg, narrowEndDeg     = 18, 20
)
