package find

// The findings: a code each. One that is added here has its row in rules beside it, its function in tests or groups, and its words; the
// laws of the rooms hold all three closed.
const (
	DeadWood     Code = "dead"
	DiseasedWood Code = "diseased"
	DamagedWood  Code = "damaged"
	Borer        Code = "borer"
	Sucker       Code = "sucker"
	WaterSprout  Code = "water_sprout"
	Crossing     Code = "crossing"
	Resting      Code = "resting"
	Inward       Code = "inward"
	Hanging      Code = "hanging"
	TooLow       Code = "low"
	OldUpright   Code = "old_upright"
	BareLeader   Code = "bare_leader"
	LeaderCrown  Code = "leader_crown"
	TimeOver     Code = "time_over"
	OutOfPlane   Code = "out_of_plane"
	NarrowCrotch Code = "narrow_crotch"
	ThickSide    Code = "thick_side"
	Competitor   Code = "competitor"
	SameNode     Code = "same_node"
	Fork         Code = "fork"
	TierGap      Code = "tier_gap"
	Succeeded    Code = "succeeded"
	TooManyLimbs Code = "too_many_limbs"
	OverHeight   Code = "over_height"
	Crowsfoot    Code = "crowsfoot"
	HeadedAgain  Code = "headed_again"
	TopHeavy     Code = "top_heavy"
	LeaderLong   Code = "leader_long"
	OverPath     Code = "path"
	AtWall       Code = "wall"
	AtNeighbour  Code = "neighbour"
	OverLong     Code = "over_long"
	PastLength   Code = "past_length"
	Shaded       Code = "shaded"
	Dense        Code = "dense"
	CentreClosed Code = "centre_closed"
	LongShoot    Code = "long_shoot"
	RenewalDue   Code = "renewal_due"
	TooOld       Code = "too_old"
	Barren       Code = "barren"
	WeakWood     Code = "weak"
	SpursCrowded Code = "spurs_crowded"
	TipBack      Code = "tip_back"
	LongBearer   Code = "long_bearer"
	Overloaded   Code = "overloaded"
	ThinForLoad  Code = "thin_for_load"
)

// rules is the order of work: 1 sick and broken wood, 2 suckers and sprouts, 3 crossing, 4 wrong ways, 5 narrow and thick, 6 height, 7 width, 8 light, 9 renewal and load.
var rules = []Rule{
	{DeadWood, 1, 10, Sound, practice},
	{DiseasedWood, 1, 10, Sound, practice},
	{DamagedWood, 1, 8, Sound, practice},
	{Borer, 1, 9, Sound, practice},
	{Sucker, 2, 7, Remove, practice},
	{WaterSprout, 2, 5, Remove, practice},
	{Crossing, 3, 7, Remove, practice},
	{Resting, 3, 4, Remove, practice},
	{Inward, 4, 5, Remove, practice},
	{Hanging, 4, 3, Shorten, practice},
	{TooLow, 4, 4, Remove, practice},
	{OldUpright, 4, 4, Subdue, practice},
	{BareLeader, 4, 3, Remove, practice},
	{LeaderCrown, 4, 3, Remove, practice},
	{TimeOver, 4, 6, Remove, practice},
	{OutOfPlane, 4, 5, Remove, practice},
	{NarrowCrotch, 5, 6, Remove, practice},
	{ThickSide, 5, 4, Subdue, practice},
	{Competitor, 5, 6, Remove, practice},
	{SameNode, 5, 3, Remove, practice},
	{Fork, 5, 3, Remove, practice},
	{TierGap, 5, 3, Subdue, practice},
	{Succeeded, 5, 5, Remove, practice},
	{TooManyLimbs, 5, 5, Remove, practice},
	{OverHeight, 6, 6, Lower, practice},
	{Crowsfoot, 6, 5, Remove, practice},
	{HeadedAgain, 6, 5, Lower, practice},
	{TopHeavy, 6, 4, Subdue, practice},
	{LeaderLong, 6, 4, Lower, practice},
	{OverPath, 7, 6, Shorten, practice},
	{AtWall, 7, 4, Shorten, practice},
	{AtNeighbour, 7, 4, Shorten, practice},
	{OverLong, 7, 2, Shorten, practice},
	{PastLength, 7, 4, Shorten, practice},
	{Shaded, 8, 2, Open, ripening},
	{Dense, 8, 3, Open, practice},
	{CentreClosed, 8, 3, Open, practice},
	{LongShoot, 8, 2, Calm, practice},
	{RenewalDue, 9, 4, Renew, practice},
	{TooOld, 9, 3, Renew, practice},
	{Barren, 9, 2, Renew, practice},
	{WeakWood, 9, 2, Renew, practice},
	{SpursCrowded, 9, 2, Spurs, practice},
	{TipBack, 9, 2, Extend, practice},
	{LongBearer, 9, 2, Bear, practice},
	{Overloaded, 9, 5, NoAim, strength},
	{ThinForLoad, 9, 2, NoAim, strength},
}
