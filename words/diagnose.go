package words

import (
	"fmt"
	"math"
	"strings"

	"vertumna/core/diagnose"
	"vertumna/core/year"
)

var complaints = map[diagnose.Complaint]string{
	diagnose.NoFruit: "bears no fruit", diagnose.SmallFruit: "bears small fruit", diagnose.OnlyTop: "bears only at the top", diagnose.Sprouts: "makes many sprouts",
	diagnose.DiesBack: "dies back", diagnose.Leans: "leans", diagnose.DropsFruit: "drops its fruit", diagnose.Splits: "splits",
}

// ComplaintOf names a complaint, after 'Why does my tree'.
func ComplaintOf(c diagnose.Complaint) string { return complaints[c] }

// causeWords are a cause's name, what to do, and when, as a job of the year or in plain words.
type causeWords struct {
	name, do, when string
	task           year.TaskKind
}

var causeTexts = map[string]causeWords{
	"too-young":          {"It is too young to bear", "Wait. Keep its frame in order, spread its limbs rather than cutting them: bent wood flowers sooner.", "It bears by itself when its time comes.", year.Bend},
	"frost":              {"Frost took the flowers or young fruit", "Nothing brings this year's back. Cover low flowers on clear nights of bloom, keep the ground bare and moist then, and thin late after a loss.", "From bud swell to a month after bloom.", year.FrostCount},
	"no-partner":         {"No partner in bloom with it", "Plant or graft a kind that flowers at the same time, within a few dozen paces; until then hang flowering twigs in a bucket in its crown.", "Grafting wood is cut in deep rest; a twig of a partner goes in at first bloom.", year.GraftWood},
	"poor-bloom-weather": {"Cold or wet while it flowered: nobody flew", "Nothing is wrong with the tree. Shelter from wind and flowers for wild bees near it help in such years.", "It shows itself next spring.", ""},
	"rest-year":          {"It rests after a heavy year", "Thin hard and early in its full years: what hangs while buds form decides next year. Cut little this winter.", "Within six weeks of the next full bloom.", year.Thin},
	"cut-away":           {"Its flowering wood was cut away", "Leave the ends and short twigs that bear; take whole limbs instead of shortening all of them.", "At the next cut.", year.DormantCut},
	"too-strong":         {"It grows wood instead of fruit", "Cut in summer, not in winter; take whole uprights, bend the rest toward level, and give no feed.", "After the solstice.", year.HeightCut},
	"too-warm-winter":    {"The winter was too warm for it", "A kind that wants less cold suits this place better: graft one on, or choose so next time.", "Grafting season.", year.Graft},
	"shade":              {"Too little light reaches the wood", "Open the crown from the top: take what shades, not what is shaded.", "At the next cut.", year.DormantCut},
	"too-many":           {"Too many fruits share what there is", "Thin to a hand apart, one to a cluster, the smallest and the damaged first. The sooner, the more it helps.", "Before the stone hardens, or within three weeks of the end of the natural drop.", year.Thin},
	"drought":            {"It is too dry", "Water the whole root run deeply once a week rather than a little each day; mulch a hand deep, a hand away from the stem.", "Now, until rain has wetted the ground a spade deep.", year.GiveMulch},
	"weak-tree":          {"The tree is weak", "Cut weak wood harder and strong wood less, take more fruit off, clear the grass under it, feed in spring.", "Fruit now; feed and cut in the next rest.", year.DormantCut},
	"few-seeds":          {"Few seeds: it was poorly pollinated", "See to a partner in bloom with it, and to shelter for what flies.", "Next bloom.", year.GraftWood},
	"shade-below":        {"The top shades what is below", "Take wood out of the top first, whole, so that light falls in; leave the lower limbs their twigs.", "At the next cut, a part each year.", year.DormantCut},
	"grown-away":         {"It has grown away from you", "Lower it by stages to limbs that point outward, never more than your limit in a year.", "After the solstice the answer is calmest.", year.HeightCut},
	"spurs-worn":         {"Its old spurs are worn out", "Thin old spurs to two or three strong buds and let young shoots of the same limb replace the rest.", "In rest.", year.DormantCut},
	"frost-below":        {"Frost lies low and takes the lower flowers", "Cold air must flow off: open a gap in the hedge or fence below; cover the low limbs on clear nights.", "Before the next bloom.", ""},
	"hard-winter-cut":    {"It answers a hard winter cut", "Rub the soft sprouts out now, keep one where a gap wants filling, and move the next big cut into summer.", "While they are a finger long; then after the solstice.", year.Sprouts},
	"topped":             {"It was headed in the same places", "Take the knot out lower down, to one limb that leads; do not head there again.", "In rest, a knot or two a year.", year.DormantCut},
	"flattened":          {"Limbs lie flat: their backs shoot up", "Rub out what stands upright on their backs while soft; let the ends rise a little.", "Early summer.", year.Sprouts},
	"struggling-above":   {"Something above it struggles", "Look for sunken bark, a tight tie or a borer between the sprouts and the thin wood; take the weak part back to the best sprout.", "In rest; sick wood at once in dry weather.", year.StandBack},
	"from-the-stock":     {"They come from the stock, not from your kind", "Tear them off at the root, do not cut them: stumps branch.", "While they are soft.", year.Sprouts},
	"much-feed":          {"It gets too much feed or water", "No nitrogen for a year or two, also not from the lawn; let grass take up what is left.", "From now on.", ""},
	"canker-or-blight":   {"A sickness of the bark or blossom", "Cut back to clean wood, a hand below what shows, blades cleaned between cuts; burn it where local rules allow, else bin it.", "In dry weather, now.", year.DormantCut},
	"gum-and-silver":     {"Silver leaf or canker of stone fruit", "Take it out to clean white wood well below the stain, in dry summer weather only; never cut it in a wet winter.", "Dry weather from early summer on.", year.SummerCut},
	"cold":               {"The winter's cold took it", "Wait until leaves show what lives, then cut to the first good bud.", "After bud break.", ""},
	"borer":              {"A grub works in the wood", "Cut below the last hole, or follow it with a wire; slit the limb to see the tunnel's end.", "At once.", ""},
	"wet-feet":           {"Its roots stand in water", "Let the water away with a ditch or a drain; never plant lower than the ground around it.", "Before the next growth.", ""},
	"no-stake":           {"It has no stake that holds it", "Set it upright while the ground is soft, stake it low on the windward side, tie it loosely.", "While it is at rest.", year.GiveStake},
	"wind-rock":          {"The wind rocks it in its hole", "Tread the ground firm round the foot, close the gap, stake it for two years.", "Now; the hole lets frost and water in.", year.CheckTies},
	"to-the-light":       {"It grows toward the light", "Cut what leans furthest, keep what points back; take shade away where you may.", "At the next cut.", year.DormantCut},
	"one-sided-load":     {"The crop pulls it over", "Thin the heavy side, prop it today with a padded fork.", "Today.", year.Prop},
	"roots-gone":         {"Its roots do not hold any more", "Keep people away from under it and ask a licensed arborist.", "Today.", ""},
	"natural-drop":       {"It lets go of what it cannot carry", "Let it. Thin only what is left when the drop is over.", "After the natural drop.", year.Thin},
	"not-pollinated":     {"They were never pollinated", "What stays is what was; see to a partner for next year.", "Next bloom.", year.GraftWood},
	"grub-inside":        {"Grubs in the fruit", "Pick up and bin what falls, every few days; hang bags on what is left, and a band of card on the stem in summer.", "Now, and from fruitlet size on next year.", year.Bag},
	"ripe":               {"They are ripe", "Pick: lift and turn, the stalk lets go by itself; mind the bud beside it.", "Now.", year.HarvestTask},
	"rain-after-dry":     {"Rain after a dry time: the skin cannot follow", "Pick what is ripe before the next rain; water evenly in dry weeks, mulch.", "From the last month before harvest.", year.GiveMulch},
	"narrow-fork":        {"A narrow fork tears apart", "Shorten one side now so that it is the lesser by far; take it off in its season.", "Weight off today, the cut in its window.", year.DormantCut},
	"overloaded":         {"A limb carries more than it can", "Thin it and prop it today; shorten it in rest.", "Today.", year.Prop},
	"sun-and-frost":      {"Sun on frozen bark, or bark bared to the sun", "Shade the stem's sunny side: white paint, a board. Trim loose bark with a knife and leave it open.", "Before the next sunny frost or heat.", year.Paint},
	"stone-splits":       {"Stones split in fruit that swells too fast", "Thin early and evenly, water evenly; do not thin late on a hot, wet week.", "Before the stone hardens.", year.Thin},
}

// CauseOf names a cause.
func CauseOf(slug string) string { return causeTexts[slug].name }

// CauseDo says what to do about a cause.
func (s Speaker) CauseDo(slug string) string { return s.Own(causeTexts[slug].do) }

// CauseWhen says when, with the window that the tree's own year has for it.
func (s Speaker) CauseWhen(slug string, tp *year.TreePlan) string {
	c := causeTexts[slug]
	if c.task == "" {
		return c.when
	}
	for i := range tp.Tasks {
		if t := &tp.Tasks[i]; t.Kind == c.task && (t.State == year.Opens || t.State == year.Open || t.State == year.Closing || t.State == year.Waits) {
			return fmt.Sprintf("%s On this tree: %s, %s to %s.", c.when, s.Title(t), s.Day(t.Window.Opens.Day), s.Day(t.Window.Closes.Day))
		}
	}
	return c.when
}

// proofs are the sentences of facts: where they hold, and (with -not) where they do not.
var proofs = map[string]struct{ says, unit string }{
	"too-young": {"It may bear in {n}.", "seasons"}, "too-young-not": {"It is old enough to bear.", ""},
	"frost-took": {"By its frost nights {n} of its buds are alive.", "share"}, "frost-took-not": {"Frost left {n} of its buds.", "share"},
	"no-partner": {"It is in bloom together with a partner on {n}.", "days"}, "no-partner-not": {"A partner blooms with it for {n}.", "days"},
	"needs-no-partner": {"It sets fruit without a partner.", ""},
	"rest-after-load":  {"Last year's load was {n} a medium one.", "x"}, "rest-after-load-not": {"Last year's load was {n} a medium one.", "x"},
	"hard-cut": {"A cut of the last two seasons took {n} of it.", "share"}, "hard-cut-not": {"No cut of the last two seasons took more than {n}.", "share"},
	"bears-on-tips": {"It bears on ends or last year's wood, which a shortened shoot loses.", ""}, "bears-on-tips-not": {"It bears on older wood too.", ""},
	"long-shoots": {"Its shoots were {n} the usual length.", "x"}, "long-shoots-not": {"Its shoots were {n} the usual length.", "x"},
	"short-shoots": {"Its shoots were {n} the usual length.", "x"}, "short-shoots-not": {"Its shoots were {n} the usual length.", "x"},
	"chill-short": {"The winter gathers {n} portions of cold under its need.", "-"}, "chill-short-not": {"The winter gathers {n} portions of cold over its need.", "+"},
	"dark-crown": {"The limbs within reach get {n} of full light.", "share"}, "dark-crown-not": {"The limbs within reach get {n} of full light.", "share"},
	"too-many-hang": {"{n} of what it should keep hangs on it.", "x"}, "too-many-hang-not": {"No more hangs than it should keep.", ""},
	"thinned": {"It was thinned this season.", ""}, "thinned-not": {"It was not thinned this season.", ""},
	"dry-month": {"{n} of rain fell in thirty days.", "mm"}, "dry-month-not": {"{n} of rain fell in thirty days.", "mm"},
	"tub-tight": {"Its crown is larger than its tub feeds.", ""}, "tub-tight-not": {"Its tub feeds its crown.", ""},
	"sick-places": {"{n} on it marked as sick.", "places"}, "sick-places-not": {"No sick place is known on it.", ""},
	"buds-above": {"{n} of its fruit buds stand over your reach.", "share"}, "buds-above-not": {"{n} of its fruit buds stand over your reach.", "share"},
	"over-reach": {"It stands {n} over your reach.", "m"}, "over-reach-not": {"It is within your reach.", ""},
	"winter-share": {"The last winter cut took {n} of it.", "share"}, "winter-share-not": {"The last winter cut took {n} of it.", "share"},
	"headed-again": {"{n} headed more than once shot up again.", "places"}, "headed-again-not": {"No place on its map was headed twice.", ""},
	"knots": {"{n} of shoots on its map.", "knots"}, "knots-not": {"No knot of shoots on its map.", ""},
	"dead-places": {"{n} of dead wood on its map.", "places"}, "dead-places-not": {"No dead wood on its map.", ""},
	"wet-winter": {"Winters are wet here.", ""}, "wet-winter-not": {"Winters are not wet here.", ""},
	"host-near": {"What stands outside brings {n} that kill wood.", "sicknesses"}, "host-near-not": {"Nothing outside is known to bring such sickness.", ""},
	"resists": {"It resists {n} that kill wood.", "sicknesses"}, "resists-not": {"Nothing is known that it resists.", ""},
	"stone": {"It is a stone fruit.", ""}, "stone-not": {"It is no stone fruit.", ""},
	"cold-night": {"The coldest night fell {n} under what its wood ends bear.", "C-"}, "cold-night-not": {"No night was cold enough for its wood.", ""},
	"needs-stake": {"It is young, or on a stock that leans on a stake for life.", ""}, "needs-stake-not": {"It should stand without a stake.", ""},
	"staked": {"It has a stake.", ""}, "staked-not": {"It has no stake.", ""},
	"gusts": {"Gusts over 60 km/h on {n} of the last two months.", "days"}, "gusts-not": {"No strong wind in two months.", ""},
	"young": {"It is in its first three years.", ""}, "young-not": {"It is past its first three years.", ""},
	"laden": {"Its worst limb carries {n} of what is safe.", "share"}, "laden-not": {"No limb carries more than it can.", ""},
	"drop-time": {"It is the time of the natural drop.", ""}, "drop-time-not": {"It is not the time of the natural drop.", ""},
	"ripening": {"Harvest is near.", ""}, "ripening-not": {"Harvest is not near.", ""},
	"wet-week": {"{n} of rain fell in a week.", "mm"}, "wet-week-not": {"{n} of rain fell in a week.", "mm"},
	"narrow-forks": {"{n} on its map.", "narrow forks"}, "narrow-forks-not": {"No narrow fork on its map.", ""},
}

// Proof says one line of evidence.
func (s Speaker) Proof(e diagnose.Evidence) string {
	if e.Asked {
		q := questions[e.Rule]
		if e.Answer == diagnose.Yes {
			return q.yes
		}
		return q.no
	}
	p := proofs[e.Rule]
	n := ""
	switch p.unit {
	case "":
	case "x":
		n = fmt.Sprintf("%s times", trim(e.Number, 1))
	case "-", "+":
		n = trim(math.Abs(e.Number), 0)
	case "C-":
		n = s.degrees(e.Number)
	default:
		n = s.Amount(e.Number, p.unit)
	}
	return fill(p.says, n)
}

// degrees says a difference of temperature.
func (s Speaker) degrees(c float64) string {
	if s.Units == US {
		return trim(1.8*c, 0) + " °F"
	}
	return trim(c, 1) + " °C"
}

type question struct{ asks, how, yes, no string }

var questions = map[string]question{
	"flowered":          {"Did it flower well?", "", "It flowered well.", "It hardly flowered."},
	"brown-hearts":      {"Are the hearts of flowers or fruitlets brown inside?", "Cut twenty across with a nail or knife.", "Their hearts are brown.", "Their hearts are green."},
	"cold-wet-bloom":    {"Was it cold or wet while it flowered?", "Under about 12 °C, or rain most days: bees stay in.", "It was cold or wet in bloom.", "Bloom had fair weather."},
	"heavy-last-year":   {"Did it bear heavily the year before?", "", "It bore heavily the year before.", "It did not bear heavily the year before."},
	"tips-shortened":    {"Were most of its shoots shortened last winter?", "", "Most of its shoots were shortened.", "Its ends were left."},
	"long-shoots":       {"Did most shoots grow longer than your arm last year?", "From the last ring of wrinkled bark to the end.", "Its shoots are longer than an arm.", "Its shoots are shorter than an arm."},
	"much-feed":         {"Was it fed, or the lawn around it?", "", "It was fed.", "It was not fed."},
	"ragged-leaf":       {"Did buds open late and unevenly, some not at all?", "", "Buds opened late and unevenly.", "Buds opened together."},
	"fruit-touching":    {"Do fruits touch each other, or hang closer than a hand?", "", "Fruits hang closer than a hand.", "Fruits hang a hand apart or more."},
	"thinned-by-hand":   {"Was it thinned by hand this year?", "", "It was thinned by hand.", "It was not thinned."},
	"dry-weeks":         {"Was it dry for weeks?", "Dig a spade deep under the crown: does the soil crumble?", "It was dry for weeks.", "The ground was never dry for long."},
	"leaves-hang":       {"Do its leaves hang or curl at noon?", "", "Its leaves hang at noon.", "Its leaves stand."},
	"pale-inside":       {"Are the fruits inside the crown the small and pale ones?", "", "The small ones hang inside.", "They are small all over."},
	"small-pale-leaves": {"Are its leaves small and pale?", "", "Its leaves are small and pale.", "Its leaves are large and green."},
	"lopsided":          {"Are the fruits lopsided, with few seeds?", "Cut five across and count: under five seeds in an apple is few.", "They are lopsided with few seeds.", "They are even, with seeds."},
	"bare-inside":       {"Is the wood inside bare, with hardly a leaf?", "", "The wood inside is bare.", "Leaves stand inside too."},
	"upright-limbs":     {"Do most main limbs stand steeper than halfway?", "", "Its limbs stand steep.", "Its limbs lie at half or flatter."},
	"old-spurs":         {"Are its spurs old, branched many times, with small buds?", "", "Its spurs are old and crowded.", "Its spurs are young."},
	"low-frost":         {"Were the low flowers brown and the high ones not?", "", "The low flowers were brown.", "High and low were alike."},
	"sprouts-at-wounds": {"Do the sprouts stand round last winter's wounds?", "", "They stand round the wounds.", "They stand elsewhere."},
	"sprouts-at-top":    {"Do they stand where it is headed each year?", "", "They stand where it is headed.", "They stand elsewhere."},
	"sprouts-on-backs":  {"Do they stand on the backs of flat limbs?", "", "They stand on the backs of flat limbs.", "They do not."},
	"thin-above":        {"Is the wood above them thin, with small leaves?", "", "The wood above is thin.", "The wood above is sound."},
	"from-the-ground":   {"Do they come from the ground or under the graft?", "", "They come from the ground.", "They come from the crown."},
	"sunken-bark":       {"Is there sunken, split or dark bark where the dead part begins?", "", "The bark is sunken there.", "The bark is sound there."},
	"sudden-wilt":       {"Did shoots wilt within days, leaves still hanging on?", "", "Shoots wilted within days.", "It came slowly."},
	"gum":               {"Does gum run from the bark?", "", "Gum runs.", "No gum runs."},
	"silver-leaves":     {"Do leaves of that limb shine like lead?", "Cut across: a brown stain in the wood tells too.", "Its leaves shine like lead.", "Its leaves are green."},
	"ends-only":         {"Are only the ends dead?", "", "Only the ends are dead.", "Whole limbs are dead."},
	"since-winter":      {"Has it been dead since winter?", "", "It has been dead since winter.", "It died in leaf."},
	"holes":             {"Are there round holes with dust or frass?", "", "There are holes with dust.", "There are no holes."},
	"water-stands":      {"Does water stand in a hole there for a day after rain?", "Dig two spades deep.", "Water stands there.", "Water drains."},
	"all-over":          {"Is it the whole tree at once?", "", "The whole tree is hit.", "Only a part is hit."},
	"inside-only":       {"Is it only shaded wood inside that dies?", "", "Only shaded wood dies.", "Wood in light dies too."},
	"has-stake":         {"Does a stake hold it firmly?", "", "A stake holds it.", "No stake holds it."},
	"stem-moves":        {"Does the stem move in the ground when you push it?", "", "The stem moves in the ground.", "The stem stands firm."},
	"hole-at-foot":      {"Is there a gap round the stem at the ground?", "", "There is a gap at its foot.", "The ground is closed at its foot."},
	"leans-from-wall":   {"Does it lean away from a wall, hedge or taller tree?", "", "It leans away from shade.", "Nothing shades that side."},
	"with-the-crop":     {"Did it come with the weight of fruit?", "", "It came with the fruit.", "It came without fruit."},
	"fast-lean":         {"Did it lean within days or weeks?", "", "It came fast.", "It came over years."},
	"fungus-foot":       {"Do mushrooms stand at its foot, or is the bark there dead?", "", "Mushrooms or dead bark at its foot.", "Its foot is sound."},
	"smallest-fall":     {"Are those that fall the smallest?", "", "The smallest fall.", "Large ones fall too."},
	"tiny-fall":         {"Did they fall within two weeks of bloom, pea-sized or less?", "", "They fell tiny, soon after bloom.", "They fell later."},
	"hole-in-fruit":     {"Is there a hole or a grub in those that fell?", "Cut ten.", "Grubs or holes are in them.", "They are sound inside."},
	"stalk-lets-go":     {"Does the stalk let go when you lift the fruit?", "", "The stalk lets go.", "The stalk holds."},
	"skin-cracks":       {"Is it the skin of the fruit that splits?", "", "The skin of the fruit splits.", "It is not the skin."},
	"wet-after-dry":     {"Did heavy rain follow a dry time?", "", "Rain followed a dry time.", "The weather was even."},
	"fork-tears":        {"Does a fork tear, bark caught between?", "", "A fork tears.", "No fork tears."},
	"limb-breaks":       {"Does a limb break along its length?", "", "A limb breaks.", "No limb breaks."},
	"bark-splits":       {"Does the bark of the stem split lengthwise?", "", "The bark splits lengthwise.", "The bark is whole."},
	"split-stones":      {"Are stones split inside whole fruit?", "Cut five.", "Stones are split.", "Stones are whole."},
}

// QuestionOf asks a question.
func (s Speaker) QuestionOf(slug string) string { return s.Own(questions[slug].asks) }

// HowToLook says how to find an answer.
func (s Speaker) HowToLook(slug string) string { return s.Own(questions[slug].how) }

// HowSure says how far the first cause stands above the second.
func HowSure(d diagnose.Diagnosis) string {
	if len(d.Causes) == 0 {
		return ""
	}
	name := CauseOf(d.Causes[0].Slug)
	if d.Sure {
		return fmt.Sprintf("Most likely: %s.", lower(name))
	}
	if len(d.Causes) == 1 {
		return fmt.Sprintf("Perhaps: %s.", lower(name))
	}
	return fmt.Sprintf("Not sure yet: %s, or %s.", lower(name), lower(CauseOf(d.Causes[1].Slug)))
}

// TellsApart says what tells the first cause from the second; empty where nothing does.
func TellsApart(d diagnose.Diagnosis) string {
	if d.Apart == "" || len(d.Causes) < 2 {
		return ""
	}
	q := questions[d.Apart]
	return fmt.Sprintf("To tell it from ‘%s’: %s %s", lower(CauseOf(d.Causes[1].Slug)), lower(q.asks), q.how)
}

// fill puts a number into a sentence.
func fill(says, n string) string {
	if n == "" {
		return says
	}
	return upper(strings.ReplaceAll(says, "{n}", n))
}

func lower(t string) string {
	if t == "" {
		return t
	}
	return strings.ToLower(t[:1]) + t[1:]
}
