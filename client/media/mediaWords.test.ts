import { templateById } from '@brook/core/circuit';
import { mediaTitle } from './mediaWords';

const layout = templateById('hatchback-diagonal')!.build('right');

test('a photo is named by what it is of: a bleeder by its place, a part by its name, the vehicle by nothing', () => {
  expect(mediaTitle(layout, 'photo', null)).toBe('Photo');
  const [bleeder] = layout.bleeders;
  expect(mediaTitle(layout, 'photo', bleeder!.id)).toMatch(/^Photo, (left|right) (front|rear)$/);
  const [master] = layout.masters;
  expect(mediaTitle(layout, 'voice', master!.id)).toBe(
    `Voice note, ${master!.name[0]!.toLowerCase()}${master!.name.slice(1)}`,
  );
});
