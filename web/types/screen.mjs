// Makes the folder of a new screen: make screen NAME=cider. It opens at /<orchard>/cider, follows the rail and the plan, and has a test.
import { existsSync, mkdirSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

/** The files of a new screen, by their path below src. */
export function filesOf(name) {
  const Name = name[0].toUpperCase() + name.slice(1);
  return {
    [`${name}/screens.ts`]: `import { screen, type ScreenAt } from '../shared/screen';

export const screens: ScreenAt[] = [{ path: '${name}', Screen: screen(() => import('./${Name}')) }];
`,
    [`${name}/${Name}.tsx`]: `import { useHere } from '../shared/orchard';
import { Trouble } from '../shared/Trouble';
import css from './${name}.module.css';

/** ${Name}: say here what a person does on it. */
export default function ${Name}() {
  const { plan, planError } = useHere();
  return (
    <div className={\`page \${css.${name}}\`}>
      <h1>${Name}</h1>
      <Trouble error={planError} />
      {plan && <p>{plan.trees.length} on the plan.</p>}
    </div>
  );
}
`,
    [`${name}/${name}.module.css`]: `.${name} {
  max-width: 960px;
}
`,
    [`${name}.test.tsx`]: `import { screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import ${Name} from './${name}/${Name}';
import { show } from './testing.test-data';

describe('${name}', () => {
  it('tells the trees of the day shown', () => {
    show(<${Name} />);
    expect(screen.getByRole('heading', { name: '${Name}' })).toBeInTheDocument();
  });
});
`,
  };
}

const { argv, exit } = globalThis.process;
const say = globalThis.console;
const [, self, name = ''] = argv;

function refuse(expected) {
  say.error(`NAME: given "${name}", expected ${expected}`);
  exit(1);
}

if (self === import.meta.filename) {
  const src = join(dirname(self), '..', 'src');
  if (!/^[a-z]{3,20}$/.test(name)) refuse('one word of 3 to 20 small letters');
  if (existsSync(join(src, name))) refuse('a name that no folder of web/src has');
  for (const [path, text] of Object.entries(filesOf(name))) {
    mkdirSync(dirname(join(src, path)), { recursive: true });
    writeFileSync(join(src, path), text, { flag: 'wx' });
    say.log(`web/src/${path}`);
  }
}
