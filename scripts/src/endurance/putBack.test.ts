import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from '../setup/paths';
import { CAUSES } from './causes';
import { takenOut } from './putBack';

// The causes by which a hostile trial freed vehicles: each can be put back.
test('every cause from a to i has rules that stand in core, each once', () => {
  expect(Object.keys(CAUSES).join('')).toBe('abcdefghi');
  for (const { patches } of Object.values(CAUSES))
    for (const patch of patches) {
      const text = readFileSync(join(ROOT, 'core', 'src', patch.file), 'utf8');
      expect(takenOut(text, patch)).not.toBe(text);
    }
});

test('a rule that stands nowhere, or twice, is not taken out', () => {
  const patch = { file: 'x.ts', rule: 'a', without: 'b' };
  expect(takenOut('-a-', patch)).toBe('-b-');
  expect(() => takenOut('---', patch)).toThrow(/has it 0 times/);
  expect(() => takenOut('-a-a-', patch)).toThrow(/has it 2 times/);
});
