package orchard

import (
	"context"
	"sync"

	"vertumna/core/year"
)

// amounts are what the slips made come to, by tree: in memory, and written down when asked, so that nobody who reads makes a write.
type amounts struct {
	mu      sync.Mutex
	known   map[string]year.Amount
	unsaved map[string]bool // trees
	read    map[string]bool // orchards whose amounts were read from the store
}

func newAmounts() *amounts {
	return &amounts{known: map[string]year.Amount{}, unsaved: map[string]bool{}, read: map[string]bool{}}
}

// giveAmounts hands the amounts of the slips made on to the trees; those of before a restart are read once.
func (k *Keeper) giveAmounts(ctx context.Context, orchardID string, y *year.Yard) error {
	a := k.amounts
	a.mu.Lock()
	read := a.read[orchardID]
	a.mu.Unlock()
	if !read {
		kept, err := k.store.Amounts(ctx, orchardID)
		if err != nil {
			return err
		}
		a.mu.Lock()
		for id, amount := range kept {
			if _, newer := a.known[id]; !newer {
				a.known[id] = amount
			}
		}
		a.read[orchardID] = true
		a.mu.Unlock()
	}
	a.mu.Lock()
	defer a.mu.Unlock()
	for i := range y.Trees {
		if amount, ok := a.known[y.Trees[i].ID]; ok {
			y.Trees[i].Amount = &amount
		}
	}
	return nil
}

// keep remembers what a tree's slip comes to.
func (a *amounts) keep(treeID string, amount year.Amount) {
	a.mu.Lock()
	defer a.mu.Unlock()
	if a.known[treeID].From != amount.From {
		a.known[treeID], a.unsaved[treeID] = amount, true
	}
}

// SaveAmounts writes down what slips came to since it was last asked, so that the first plan after a restart need not make them anew.
// What is not written is made again: nothing is lost.
func (k *Keeper) SaveAmounts(ctx context.Context) error {
	a := k.amounts
	a.mu.Lock()
	unsaved := map[string]year.Amount{}
	for id := range a.unsaved {
		unsaved[id] = a.known[id]
	}
	clear(a.unsaved)
	a.mu.Unlock()
	if len(unsaved) == 0 {
		return nil
	}
	return k.store.KeepAmounts(ctx, unsaved)
}
