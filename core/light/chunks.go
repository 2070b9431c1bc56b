package light

// chunks keep numbers by cell in blocks of 16 cells a side, so that neighbours are quick to find.
type chunks struct {
	blocks map[Cell]*block
	at     Cell // of the block last used
	last   *block
	lo, hi Cell // of all cells that were added to
}

const blockBits = 4

type block [1 << (3 * blockBits)]float64

func split(c Cell) (of Cell, i int) {
	const low = 1<<blockBits - 1
	return Cell{c.X >> blockBits, c.Y >> blockBits, c.Z >> blockBits}, (c.Z&low)<<(2*blockBits) | (c.Y&low)<<blockBits | c.X&low
}

func (k *chunks) add(c Cell, v float64) {
	of, i := split(c)
	if k.last == nil || of != k.at {
		if k.blocks == nil {
			k.blocks, k.lo, k.hi = map[Cell]*block{}, c, c
		}
		b := k.blocks[of]
		if b == nil {
			b = new(block)
			k.blocks[of] = b
		}
		k.at, k.last = of, b
	}
	k.lo, k.hi = least(k.lo, c), most(k.hi, c)
	k.last[i] += v
}

// each visits the cells that are not 0, in no order.
func (k *chunks) each(visit func(Cell, float64)) {
	for of, b := range k.blocks {
		for i, v := range b {
			if v != 0 {
				const low = 1<<blockBits - 1
				visit(Cell{of.X<<blockBits | i&low, of.Y<<blockBits | i>>blockBits&low, of.Z<<blockBits | i>>(2*blockBits)}, v)
			}
		}
	}
}
