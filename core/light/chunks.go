package light

import "sync"

// chunks keep numbers by cell in blocks of 16 cells a side, so that neighbours are quick to find.
type chunks struct {
	blocks map[Cell]*block
	at     Cell // of the block last used
	last   *block
	lo, hi Cell // of all cells that were added to
	filled bool
}

const blockBits = 4

type block [1 << (3 * blockBits)]float64

func split(c Cell) (of Cell, i int) {
	const low = 1<<blockBits - 1
	return Cell{c.X >> blockBits, c.Y >> blockBits, c.Z >> blockBits}, (c.Z&low)<<(2*blockBits) | (c.Y&low)<<blockBits | c.X&low
}

func (k *chunks) add(c Cell, v float64) {
	of, i := split(c)
	k.to(of)[i] += v
	k.fill(c, c)
}

// raise lifts a cell to a value at least.
func (k *chunks) raise(c Cell, v float64) {
	of, i := split(c)
	b := k.to(of)
	b[i] = max(b[i], v)
	k.fill(c, c)
}

// addRow adds to n cells along x.
func (k *chunks) addRow(first Cell, n int, v float64) {
	const side = 1 << blockBits
	for x := 0; x < n; {
		of, i := split(Cell{first.X + x, first.Y, first.Z})
		here := min(n-x, side-i&(side-1))
		row := k.to(of)[i:][:here]
		for j := range row {
			row[j] += v
		}
		x += here
	}
	k.fill(first, Cell{first.X + n - 1, first.Y, first.Z})
}

// to is the block to add to.
func (k *chunks) to(of Cell) *block {
	if k.last == nil || of != k.at {
		if k.blocks == nil {
			k.blocks = map[Cell]*block{}
		}
		b := k.blocks[of]
		if b == nil {
			b, _ = spareBlocks.Get().(*block)
			if b == nil {
				b = new(block)
			}
			k.blocks[of] = b
		}
		k.at, k.last = of, b
	}
	return k.last
}

// fill widens what was added to.
func (k *chunks) fill(a, b Cell) {
	if !k.filled {
		k.lo, k.hi, k.filled = a, b, true
		return
	}
	k.lo, k.hi = least(k.lo, a), most(k.hi, b)
}

// eachRow visits the rows of cells, along x, in which not all are 0, in no order. The numbers are not kept by the visitor.
func (k *chunks) eachRow(visit func(first Cell, row []float64)) {
	const side, low = 1 << blockBits, 1<<blockBits - 1
	for of, b := range k.blocks {
		for i := 0; i < len(b); i += side {
			row := b[i : i+side]
			from, to := 0, side
			for from < side && row[from] == 0 {
				from++
			}
			for to > from && row[to-1] == 0 {
				to--
			}
			if from < to {
				visit(Cell{of.X<<blockBits + from, of.Y<<blockBits | i>>blockBits&low, of.Z<<blockBits | i>>(2*blockBits)}, row[from:to])
			}
		}
	}
}

// spareBlocks are blocks put away, all 0.
var spareBlocks sync.Pool

// putAway gives the blocks back; nothing is kept here any more.
func (k *chunks) putAway() {
	for _, b := range k.blocks {
		clear(b[:])
		spareBlocks.Put(b)
	}
	*k = chunks{}
}
