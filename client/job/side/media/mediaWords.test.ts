import { layoutOf } from '@brook/core/testing';
import { mediaTitle } from './mediaWords';

const layout = layoutOf('hatchback-diagonal', 'right');

test('a photo is named by what it is of: a bleeder by its place, a part by its name, the vehicle by nothing', () => {
  expect(mediaTitle(layout, { medium: 'photo', elementId: null })).toBe('Photo');
  const [bleeder] = layout.bleeders;
  expect(mediaTitle(layout, { medium: 'photo', elementId: bleeder!.id })).toMatch(
    /^Photo, (left|right) (front|rear)$/,
  );
  const [master] = layout.masters;
  expect(mediaTitle(layout, { medium: 'voice', elementId: master!.id })).toBe(
    `Voice note, ${master!.name[0]!.toLowerCase()}${master!.name.slice(1)}`,
  );
  const shows = (item: 'level' | 'servo gives', masterId: string | null) =>
    mediaTitle(layout, { medium: 'photo', elementId: null, proof: { item, masterId } });
  expect(shows('level', null)).toBe('Photo, level');
  expect(shows('servo gives', master!.id)).toBe('Photo, brake pedal: servo gives');
});
