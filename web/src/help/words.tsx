import type { ReactNode } from 'react';

/** A trade word: how else it is written, what it is in a sentence or two, and a drawing where one tells more. */
export interface Trade {
  word: string;
  also?: readonly string[];
  says: string;
  /** A word of every day too: found and listed, never marked in a sentence. */
  common?: true;
  drawing?: ReactNode;
}

const old = { stroke: 'var(--wood-old)', fill: 'none', strokeLinecap: 'round' } as const;
const two = { ...old, stroke: 'var(--wood-two)' } as const;
const last = { ...old, stroke: 'var(--wood-last)' } as const;
const fresh = { ...old, stroke: 'var(--wood-this)' } as const;

/** The mark of a cut on wood: a stroke across it. */
const Cut = ({ x, y, turn = 0 }: { x: number; y: number; turn?: number }) => (
  <path
    d="M-9 0H9"
    transform={`translate(${String(x)} ${String(y)}) rotate(${String(turn)})`}
    stroke="var(--autumn)"
    strokeWidth={2.4}
  />
);

/** Fruit buds at the ends of short wood. */
const FruitBuds = ({ at }: { at: readonly (readonly [x: number, y: number])[] }) =>
  at.map(([x, y]) => <circle key={x} cx={x} cy={y} r={6} fill="var(--wood-last)" stroke="var(--ink)" />);
const Trunk = () => <path d="M70 92V58" {...old} strokeWidth={9} />;

const vase = (
  <>
    <Trunk />
    <path d="M70 60C60 48 44 42 34 16M70 60C80 48 96 42 106 16M70 60C70 46 74 34 72 12" {...old} strokeWidth={6} />
  </>
);

/** A first glossary, in the order of the letters. */
export const trade: readonly Trade[] = [
  {
    word: 'above a bud',
    common: true,
    says: 'Cut a pencil’s thickness above the bud, sloped away from it. Further off the stub dies back and lets sickness in; nearer the bud dries out.',
    drawing: (
      <>
        <path d="M28 92V22M70 92V46M112 92V56" {...last} strokeWidth={7} />
        <path
          d="M32 64q9-4 10-14q-9 2-10 14ZM74 64q9-4 10-14q-9 2-10 14ZM116 64q9-4 10-14q-9 2-10 14Z"
          fill="var(--wood-last)"
          stroke="var(--ink)"
        />
        <Cut x={28} y={22} turn={-20} />
        <Cut x={70} y={44} turn={-20} />
        <Cut x={112} y={56} turn={-20} />
        <text x={28} y={14} textAnchor="middle" fontSize={12}>
          too far
        </text>
        <text x={70} y={34} textAnchor="middle" fontSize={12}>
          right
        </text>
        <text x={112} y={44} textAnchor="middle" fontSize={12}>
          too near
        </text>
      </>
    ),
  },
  {
    word: 'account',
    says: 'What has been cut off a tree this tree year, of the crown it had, against what your school lets go. Sick wood and suckers do not count.',
  },
  {
    word: 'anvil pruner',
    says: 'A hand pruner whose blade closes on a flat bar. It takes less strength and suits dead, hard wood; it squeezes live wood, for which blades that pass each other are better.',
  },
  {
    word: 'arm',
    also: ['arms'],
    says: 'A main limb of a flat tree, led along a wire or a wall.',
    drawing: (
      <>
        <path d="M70 92V30" {...old} strokeWidth={7} />
        <path d="M70 40H14M70 40H126M70 68H14M70 68H126" {...old} strokeWidth={5} />
      </>
    ),
  },
  {
    word: 'bloom',
    also: ['full bloom', 'first bloom'],
    says: 'From the first open flowers to petal fall. Full bloom is when most are open; days after bloom are counted from it.',
  },
  {
    word: 'bud break',
    says: 'The first green shows at the tips of the buds. Cuts for frame belong before it.',
    drawing: (
      <>
        <path d="M30 92L84 20" {...last} strokeWidth={5} />
        <path d="M62 48q16 2 20-12q-14-4-20 12Z" fill="var(--wood-this)" />
        <path d="M84 20q10 0 14-14q-14 0-14 14Z" fill="var(--wood-this)" />
      </>
    ),
  },
  {
    word: 'bud swell',
    says: 'Buds grow fat and their scales part, some weeks before bud break. Knocked, they come off: be gentle from then on.',
  },
  {
    word: 'carried over',
    says: 'Work a slip left for later, because the limit was reached or you left it. It stands on the next slip again.',
  },
  {
    word: 'collar',
    also: ['branch collar'],
    says: 'The swollen ring where a limb leaves its carrier. Cut just outside it: not flush, which wounds the carrier, and no stub, which dies back.',
    drawing: (
      <>
        <path d="M60 92V8" {...old} strokeWidth={16} />
        <path d="M66 60Q78 52 84 46L122 22" {...two} strokeWidth={9} />
        <path d="M68 66Q74 50 82 42" stroke="var(--ink)" strokeWidth={1.2} strokeDasharray="3 3" fill="none" />
        <Cut x={88} y={43} turn={58} />
      </>
    ),
  },
  {
    word: 'crotch',
    says: 'The angle between a limb and its carrier. A narrow one holds bark inside it and tears under load.',
    drawing: (
      <>
        <path d="M44 92V10" {...old} strokeWidth={9} />
        <path d="M44 66Q54 50 56 8" {...old} strokeWidth={7} />
        <path d="M104 92V10" {...old} strokeWidth={9} />
        <path d="M104 66Q122 54 134 34" {...old} strokeWidth={7} />
      </>
    ),
  },
  {
    word: 'docket',
    says: 'The list of jobs about the day shown: do now, closing soon, opening soon, what must wait and for what, and what has weeks yet.',
  },
  {
    word: 'four arms',
    says: 'An open vase of exactly four limbs, a quarter turn apart, two to each side of the row: trees stand close, and light falls between the arms.',
  },
  {
    word: 'free',
    common: true,
    says: 'Of a cut: not counted against the limit. Dead and sick wood, and suckers from below the graft.',
  },
  {
    word: 'fruit bud',
    also: ['fruit buds'],
    says: 'A round, plump bud that stands off the wood and flowers; on peaches furry, often two with a leaf bud between. Leaf buds are narrow and lie flat. The plumper, the surer. Cut above a fruit bud and the shoot stays calm.',
    drawing: (
      <>
        <path d="M20 70H124" {...last} strokeWidth={5} />
        <ellipse cx={50} cy={58} rx={9} ry={11} fill="var(--wood-last)" stroke="var(--ink)" />
        <path d="M92 66Q100 52 106 56Q106 64 98 68Z" fill="var(--wood-last)" stroke="var(--ink)" />
        <text x={50} y={92} textAnchor="middle" fontSize={12}>
          fruit
        </text>
        <text x={98} y={92} textAnchor="middle" fontSize={12}>
          leaf
        </text>
      </>
    ),
  },
  {
    word: 'graft union',
    also: ['union', 'graft'],
    common: true,
    says: 'The bend or swelling low on the stem where the kept kind was joined to the roots of another. Shoots from below it are suckers.',
    drawing: (
      <>
        <path d="M70 92V70" {...old} strokeWidth={12} />
        <path d="M70 70Q64 62 72 54V8" {...two} strokeWidth={8} />
        <path d="M58 74l24-10" stroke="var(--ink)" strokeWidth={1.4} strokeDasharray="3 3" />
      </>
    ),
  },
  {
    word: 'heading cut',
    also: ['heading', 'headed'],
    says: 'A shoot or limb cut through its length, above a bud. Two or three buds below the cut drive hard: choose one of them later.',
    drawing: (
      <>
        <path d="M70 92V40" {...last} strokeWidth={6} />
        <path d="M70 40V8" {...last} strokeWidth={5} strokeOpacity={0.35} />
        <Cut x={70} y={38} turn={-20} />
        <path d="M70 48q18-8 22-30M70 58q-18-8-22-28" {...fresh} strokeWidth={3} strokeDasharray="2 4" />
      </>
    ),
  },
  {
    word: 'lateral',
    also: ['laterals', 'side limb', 'side limbs'],
    says: 'A side limb on a scaffold. Laterals carry the fruit and are renewed; scaffolds stay.',
    drawing: (
      <>
        <path d="M30 92L110 14" {...old} strokeWidth={7} />
        <path d="M56 66L40 34M72 50L98 66M88 36L76 10" {...two} strokeWidth={4} />
      </>
    ),
  },
  {
    word: 'leader',
    says: 'The limb that goes on upward in the middle. Some forms keep one; an open vase has none.',
    drawing: (
      <>
        <path d="M70 92V10" {...old} strokeWidth={7} />
        <path d="M70 66L34 48M70 56L106 38M70 42L44 24M70 32L98 16" {...two} strokeWidth={4} />
      </>
    ),
  },
  {
    word: 'leaf bud',
    also: ['leaf buds', 'wood bud', 'wood buds'],
    says: 'A narrow, pointed bud that lies close to the shoot and grows a shoot. Cut above one that faces where the next shoot should go.',
    drawing: (
      <>
        <path d="M70 92V6" {...last} strokeWidth={6} />
        <path d="M73 50q10-4 11-16q-10 2-11 16Z" fill="var(--wood-last)" stroke="var(--ink)" />
        <path d="M67 72q-10-4-11-16q10 2 11 16Z" fill="var(--wood-last)" stroke="var(--ink)" />
      </>
    ),
  },
  {
    word: 'level wood',
    says: 'Wood that lies flat. Sap runs slowly in it, so its buds turn to fruit early, and the fruit is the best; most peaches set on wood that grew sideways. What stands up makes leaf and more wood.',
  },
  {
    word: 'narrow crotch',
    also: ['included bark'],
    says: 'Two limbs that rise side by side with bark folded in between. In a wide crotch the fibres of both are woven; here nothing holds but bark.',
    drawing: (
      <>
        <path d="M56 92V60Q40 44 20 34M56 60V8" {...old} strokeWidth={8} />
        <path d="M108 92V60V8M108 64Q122 52 124 8" {...old} strokeWidth={8} />
        <path d="M114 62Q117 50 117 24" stroke="var(--autumn)" strokeWidth={2.4} fill="none" />
      </>
    ),
  },
  {
    word: 'natural drop',
    also: ['june drop', 'fruit drop'],
    says: 'The tree throws off part of its small fruit by itself some weeks after bloom. What is left after it is thinned.',
  },
  {
    word: 'normals',
    says: 'The usual weather of a place, month by month: warmest, coldest, rain. Dates here come from many years made from them.',
  },
  {
    word: 'notch',
    also: ['notched', 'notching'],
    says: 'A small cut through the bark just above a bud, down to the wood: what comes from below stops there, and the bud wakes.',
    drawing: (
      <>
        <path d="M70 92V6" {...two} strokeWidth={14} />
        <path d="M78 62q10-3 12-14q-11 2-12 14Z" fill="var(--wood-last)" stroke="var(--ink)" />
        <path d="M62 38Q70 44 80 38" stroke="var(--autumn)" strokeWidth={3} fill="none" />
      </>
    ),
  },
  {
    word: 'open vase',
    also: ['vase'],
    says: 'A bowl of limbs round an empty middle: the fruit hangs low, where a hand reaches it, and air and sun go through.',
  },
  {
    word: 'petal fall',
    says: 'Most petals have dropped. The hand pruner rests from bud break until then.',
  },
  {
    word: 'pit hardening',
    says: 'The stone in a young peach, plum or cherry turns hard. Thin stone fruit before it; after it, thinning gains little size.',
  },
  {
    word: 'reach line',
    also: ['reach'],
    says: 'How high a tree is held: a hand and a fruit below your raised fingertips, as long as your school says no other. Above it fruit is not picked, and it shades what is.',
    drawing: (
      <>
        <path d="M4 34H136" stroke="var(--leaf)" strokeWidth={2} strokeDasharray="6 4" />
        <g transform="translate(48 40) scale(.7)">{vase}</g>
        <circle cx={24} cy={46} r={6} fill="none" stroke="var(--ink)" strokeWidth={2} />
        <path d="M24 52V76M24 76l-6 16M24 76l6 16M24 58L34 26" stroke="var(--ink)" strokeWidth={2} fill="none" />
      </>
    ),
  },
  {
    word: 'reduction cut',
    also: ['lowered to', 'back to a side branch'],
    says: 'A limb shortened to a side branch at least a third as thick, which takes over. The calmest way to bring a top down.',
    drawing: (
      <>
        <path d="M52 92L66 52" {...old} strokeWidth={7} />
        <path d="M66 52L84 6" {...old} strokeWidth={6} strokeOpacity={0.35} />
        <path d="M66 52Q84 40 116 38" {...two} strokeWidth={5} />
        <Cut x={70} y={43} turn={30} />
      </>
    ),
  },
  {
    word: 'renewal',
    also: ['renewed', 'renew'],
    says: 'Old bearing wood cut back to a young shoot near its base, so that the fruit stays near the frame.',
  },
  {
    word: 'scaffold',
    also: ['scaffolds', 'main limb', 'main limbs'],
    says: 'A main limb of the frame, from the trunk. Few, well spread, and kept for the life of the tree.',
    drawing: vase,
  },
  {
    word: 'school',
    says: 'How a grower works: when, how hard, how high. Good growers differ; you chose one, and any tree may depart from it.',
  },
  {
    word: 'slim leader',
    also: ['slim leaders'],
    says: 'One staked trunk with short side limbs all the way up. None is headed; one that grows half as thick as the trunk goes, and a thin one takes its place.',
  },
  {
    word: 'slip',
    says: 'The cuts of one tree for this season, in the order of work, under the limit; with what waits, and why.',
  },
  {
    word: 'spur',
    also: ['spurs'],
    says: 'A short, wrinkled twig with a fruit bud at its end, a finger long. Apples, pears, plums and sweet cherries bear on spurs for years.',
    drawing: (
      <>
        <path d="M10 74H130" {...old} strokeWidth={7} />
        <path d="M40 70q-2-12 6-22M76 70q4-10 0-22M108 70q-4-12 4-20" {...two} strokeWidth={5} />
        <FruitBuds
          at={[
            [47, 42],
            [75, 42],
            [113, 44],
          ]}
        />
      </>
    ),
  },
  {
    word: 'staff',
    says: 'The small pole beside a tree on the plan: ticks for its height, a bar at your reach; hollow wood stands above it.',
  },
  {
    word: 'stop line',
    says: 'How much of a crown may still go this tree year. Past it the tree answers with sprouts, and next year’s crop pays.',
  },
  {
    word: 'stub',
    also: ['stubs', 'snag', 'snags'],
    says: 'A piece left standing outside the collar. It cannot close over: it dies back and lets rot in. A finger of it is left only where the school says so.',
    drawing: (
      <>
        <path d="M60 92V8" {...old} strokeWidth={16} />
        <path d="M66 60Q78 52 84 46L104 33" {...two} strokeWidth={9} />
        <Cut x={106} y={31} turn={58} />
        <path d="M84 46L104 33" stroke="var(--wood-dead)" strokeWidth={9} />
      </>
    ),
  },
  {
    word: 'sucker',
    also: ['suckers'],
    says: 'A shoot from the root or from below the graft. Torn off while young, at any time.',
    drawing: (
      <>
        <path d="M70 92V20" {...old} strokeWidth={8} />
        <path d="M66 90q-20-10-22-50" {...fresh} strokeWidth={4} />
        <path d="M10 92H130" stroke="var(--rule-strong)" />
      </>
    ),
  },
  {
    word: 'thinning cut',
    also: ['thinned out'],
    says: 'A shoot or limb taken off whole, where it leaves its carrier. Lets light in and calls up little new growth.',
    drawing: (
      <>
        <path d="M30 92L108 12" {...old} strokeWidth={7} />
        <path d="M68 53L66 8" {...two} strokeWidth={5} strokeOpacity={0.35} />
        <Cut x={67} y={44} />
      </>
    ),
  },
  {
    word: 'tip bearer',
    also: ['tip bearers', 'bears at the tips'],
    says: 'A tree whose fruit buds sit at the ends of last year’s shoots. Shorten every shoot and the crop is gone: thin instead, and leave short shoots whole.',
    drawing: (
      <>
        <path d="M10 84H130" {...old} strokeWidth={7} />
        <path d="M36 80Q38 50 30 26M74 80Q76 46 82 20M112 80Q110 56 118 36" {...last} strokeWidth={4} />
        <FruitBuds
          at={[
            [30, 20],
            [83, 14],
            [119, 30],
          ]}
        />
      </>
    ),
  },
  {
    word: 'tree year',
    says: 'From leaf fall to leaf fall: the stretch of time the rail shows, and over which what is cut is counted together.',
  },
  {
    word: 'water sprout',
    also: ['water sprouts', 'sprout', 'sprouts', 'water spur', 'water spurs', 'watershoot', 'watershoots'],
    says: 'A strong upright shoot from older wood, often after hard cuts: one season old, so its bark is smooth without a year ring from base to tip, often purple. Most go in summer while they are soft; one may fill a gap. Some call it a water spur: a spur is fruit wood, and stays.',
    drawing: (
      <>
        <path d="M10 82Q70 70 130 40" {...old} strokeWidth={7} />
        <path d="M52 74V14M70 68V8M88 60V12" {...fresh} strokeWidth={4} />
      </>
    ),
  },
  {
    word: 'whip',
    says: 'A young tree of one shoot, without side limbs. Its wood is thin: a notch goes through the bark, never through the whip.',
    drawing: <path d="M70 92Q68 50 72 6" {...last} strokeWidth={5} />,
  },
  {
    word: 'window',
    also: ['windows'],
    says: 'The days on which a job does most good, from when it opens to when it closes. Dates follow the sun, the weather and what you saw on the tree.',
  },
  {
    word: 'year ring',
    common: true,
    says: 'A band of fine wrinkles round a shoot: the scars of the end bud’s scales, where a year’s growth began. Counted from the tip they tell the age of the wood. What grew this season is green or reddish and smooth; the year before is brown. Peaches bear on what grew last year, spur kinds on older wood.',
    drawing: (
      <>
        <path d="M8 80L62 58" {...old} strokeWidth={8} />
        <path d="M62 58L104 40" {...two} strokeWidth={6} />
        <path d="M104 40L134 28" {...fresh} strokeWidth={4} />
        <path d="M59 50l5 15M62 49l5 15M102 34l4 12M105 33l4 12" stroke="var(--ink)" strokeWidth={1.6} />
        <text x={30} y={56} textAnchor="middle" fontSize={12}>
          older
        </text>
        <text x={84} y={36} textAnchor="middle" fontSize={12}>
          two years
        </text>
        <text x={118} y={56} textAnchor="middle" fontSize={12}>
          this year
        </text>
      </>
    ),
  },
];

/** Every way a trade word is written in sentences, longest first, with the word it is. */
export const spellings: readonly (readonly [string, Trade])[] = trade
  .filter((t) => !t.common)
  .flatMap((t) => [t.word, ...(t.also ?? [])].map((w) => [w, t] as const))
  .sort((a, b) => b[0].length - a[0].length);
