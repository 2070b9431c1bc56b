package year

// declared is a kind of task with what is fixed for it.
type declared struct {
	kind  TaskKind
	facts TaskFacts
}

// declarations are all kinds of task that need no limb map. A new one is a file of its own, a row here, its rule below and its words; the
// laws of the rooms hold them closed.
var declarations = []declared{
	{StandBack, standBackFacts},
	{HealthLook, healthLookFacts},
	{DormantCut, dormantCutFacts},
	{SummerCut, summerCutFacts},
	{RestrainCut, restrainCutFacts},
	{HeightCut, heightCutFacts},
	{SummerShoots, summerShootsFacts},
	{Sprouts, sproutsFacts},
	{SproutVisit, sproutVisitFacts},
	{AutumnHeight, autumnHeightFacts},
	{PlantingCut, plantingCutFacts},
	{Scaffolds, scaffoldsFacts},
	{Notching, notchingFacts},
	{NotchLook, notchLookFacts},
	{ChooseShoot, chooseShootFacts},
	{Bend, bendFacts},
	{CheckTies, checkTiesFacts},
	{TakeOff, takeOffFacts},
	{FrostCount, frostCountFacts},
	{CountSet, countSetFacts},
	{Thin, thinFacts},
	{SecondLook, secondLookFacts},
	{Bag, bagFacts},
	{Unbag, unbagFacts},
	{Prop, propFacts},
	{LeavesOff, leavesOffFacts},
	{HarvestTask, harvestTaskFacts},
	{Graft, graftFacts},
	{GraftLook, graftLookFacts},
	{CarriedCut, carriedCutFacts},
	{LimbDue, limbDueFacts},
	{GraftWood, graftWoodFacts},
	{Paint, paintFacts},
	{YoungCare, youngCareFacts},
	{MeasureHeight, measureHeightFacts},
	{Tools, toolsFacts},
	{GiveStake, giveStakeFacts},
	{GiveMulch, giveMulchFacts},
	{GiveWires, giveWiresFacts},
	{Repot, repotFacts},
	{StripFruit, stripFruitFacts},
	{StoredLook, storedLookFacts},
	{FrameCut, frameCutFacts},
	{FrameSummer, frameSummerFacts},
	{TieArms, tieArmsFacts},
	{ReleaseTest, releaseTestFacts},
	{OwnJob, ownJobFacts},
}

var taskFacts = func() map[TaskKind]TaskFacts {
	out := make(map[TaskKind]TaskFacts, len(declarations))
	for _, d := range declarations {
		out[d.kind] = d.facts
	}
	return out
}()

var rules = []rule{
	standBack, healthLook, // looks
	dormantCut, stoneSummerCut, restrainingCut, heightCut, summerShoots, autumnHeight, // cuts
	plantingCut, scaffoldChoice, notching, formation, youngCare, needs, // young trees and their supports
	sprouts, hardCutFollowUps, carriedLimbs, limbsDue, chooseShoot, devices, storms, bending, paint, // what earlier work asks for
	frostCount, countSet, thin, secondLook, bag, unbag, prop, leavesOff, harvest, // fruit
	grafting, graftWood, stored, // by wish
}
