import type { Colour } from '@brook/core/fluid/verdict';
import { PHOTO_WORDS, type PhotoReading, type Spot } from '@brook/core/fluid/photo';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from '../../ui/Button';
import { Caution } from '../../ui/Notice';
import { colour, SPACE } from '../../ui/theme';
import { FLUID } from '../../ui/theme/fluid';
import { Words } from '../../ui/Words';
import { askWorker } from '../../data/workers/ask';
import { pixelsOf } from './picture';

interface Chosen {
  readonly file: Blob;
  readonly url: string;
}

/** Read the colour off a photo of the sample against white paper: two taps, a proposal, and the eye decides. */
export function PhotoColour({
  place,
  onTake,
  beside,
}: {
  readonly place: string;
  readonly onTake: (colour: Colour) => void;
  /** Another way to the colour, beside this one. */
  readonly beside: ReactNode;
}) {
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [taps, setTaps] = useState<readonly Spot[]>([]);
  const [reading, setReading] = useState<PhotoReading | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => () => (chosen ? URL.revokeObjectURL(chosen.url) : undefined), [chosen]);

  const choose = (file: File | undefined) => {
    if (!file) return;
    setChosen({ file, url: URL.createObjectURL(file) });
    again();
  };
  const again = () => {
    setTaps([]);
    setReading(null);
    setProblem(null);
  };
  const close = () => {
    setChosen(null);
    again();
  };
  const tap = async (at: Spot) => {
    if (!chosen || taps.length === 2) return;
    const marked = [...taps, at];
    setTaps(marked);
    if (marked.length < 2) return;
    try {
      const picture = await pixelsOf(chosen.file);
      const scaled = marked.map((s) => ({ x: s.x * picture.width, y: s.y * picture.height }));
      setReading(
        await askWorker<PhotoReading>(
          () => new Worker(new URL('../../data/workers/photo.worker', import.meta.url)),
          { picture, fluidAt: scaled[0], whiteAt: scaled[1] },
        ).answer,
      );
    } catch (error) {
      setProblem((error as Error).message);
    }
  };

  return (
    <View style={styles.box}>
      <input
        ref={input}
        type="file"
        accept="image/*"
        hidden
        aria-label={`Photo, ${place}`}
        onChange={(e) => choose(e.target.files?.[0])}
      />
      {chosen ? (
        <>
          <Words strong>
            {
              [
                'Tap the fluid.',
                'Now tap the white paper beside it.',
                reading || problem ? '' : 'Reading …',
              ][taps.length]
            }
          </Words>
          <Photo url={chosen.url} taps={taps} onTap={(at) => void tap(at)} />
          {problem ? <Caution title={problem} /> : null}
          {reading?.kind === 'fault' ? <Caution title={PHOTO_WORDS[reading.fault]} /> : null}
          {reading?.kind === 'read' ? (
            <View style={styles.proposal} aria-live="polite">
              <View style={[styles.swatch, { backgroundColor: FLUID[reading.colour] }]} />
              <View style={styles.text}>
                <Words
                  strong
                >{`Nearest: ${reading.colour}${reading.sure ? '' : ', but not by much'}`}</Words>
                <Words
                  size="small"
                  tone="softWords"
                >{`L* ${reading.lab[0].toFixed(0)}, a* ${reading.lab[1].toFixed(0)}, b* ${reading.lab[2].toFixed(0)}, freed of the light by the white. A model; your eye decides.`}</Words>
              </View>
            </View>
          ) : null}
          {reading?.kind === 'read' ? (
            <Button
              label={`Yes, it is ${reading.colour}`}
              onPress={() => {
                onTake(reading.colour);
                close();
              }}
            />
          ) : null}
          <View style={styles.line}>
            <View style={styles.text}>
              <Button label="Tap again" onPress={again} disabled={taps.length === 0} />
            </View>
            <View style={styles.text}>
              <Button label="Leave the photo" onPress={close} />
            </View>
          </View>
        </>
      ) : (
        <View style={styles.line}>
          <View style={styles.text}>
            <Button
              label="By photo …"
              spoken={`Read the colour in the ${place} off a photo`}
              onPress={() => input.current?.click()}
            />
          </View>
          {beside ? <View style={styles.text}>{beside}</View> : null}
        </View>
      )}
    </View>
  );
}

/** The photo with the marks of both taps; a tap is given as shares of its width and height. */
function Photo({
  url,
  taps,
  onTap,
}: {
  readonly url: string;
  readonly taps: readonly Spot[];
  readonly onTap: (at: Spot) => void;
}) {
  const tapped = (e: React.MouseEvent<HTMLImageElement>) => {
    const box = e.currentTarget.getBoundingClientRect();
    onTap({ x: (e.clientX - box.left) / box.width, y: (e.clientY - box.top) / box.height });
  };
  return (
    <View style={styles.photo}>
      <img
        src={url}
        alt="The sample against white paper"
        onClick={tapped}
        style={{ width: '100%', display: 'block', cursor: 'crosshair' }}
      />
      {taps.map((t, i) => (
        <View
          key={i}
          style={[styles.mark, { left: `${t.x * 100}%`, top: `${t.y * 100}%` }]}
          pointerEvents="none"
        >
          <Words size="small" strong align="center">
            {i === 0 ? 'fluid' : 'white'}
          </Words>
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: SPACE.small },
  photo: { position: 'relative' },
  mark: {
    position: 'absolute',
    marginLeft: -28,
    marginTop: -12,
    width: 56,
    backgroundColor: colour.ground,
    borderWidth: 2,
    borderColor: colour.words,
  },
  proposal: { flexDirection: 'row', alignItems: 'center', gap: SPACE.medium },
  swatch: {
    width: 44,
    height: 44,
    borderRadius: 22,
    borderWidth: 1.5,
    borderColor: colour.fluidEdge,
  },
  text: { flex: 1 },
  line: { flexDirection: 'row', gap: SPACE.small },
});
