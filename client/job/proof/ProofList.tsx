import { judgedWords } from '@brook/core/control/pedal';
import { takeUpWords } from '@brook/core/job/gate';
import { NOTHING_TRIED, type Proof } from '@brook/core/job/items';
import type { Answered, ProofAnswer, ProofPhoto } from '@brook/core/job/log';
import { capital } from '@brook/core/base/text';
import { StyleSheet, View } from 'react-native';
import { clockTime } from '../../ui/dates';
import { Press } from '../../ui/Press';
import { colour, SPACE } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { pageKey, pageTitle, photoItemOf, standingOf, type ProofPage } from './proofPages';

export interface ProofListProps {
  readonly pages: readonly ProofPage[];
  readonly proof: Proof;
  readonly answers: readonly ProofAnswer[];
  readonly photos: readonly ProofPhoto[];
  /** Who recorded the fluid; null while nobody has. */
  readonly fluidBy: Pick<Answered, 'person' | 'atMs'> | null;
  readonly onOpen: (page: ProofPage) => void;
}

/** The whole proof, a line each: what was found, by whom and when; a press opens its page. */
export function ProofList({ pages, proof, answers, photos, fluidBy, onOpen }: ProofListProps) {
  return (
    <View role="list" aria-label="The proof">
      {pages.map((page) => {
        const found = foundWords(page, proof);
        const item = photoItemOf(page);
        const shown = photos.some((p) => p.masterId === item?.masterId && p.item === item.item);
        const by = answerOf(page, answers) ?? (page.kind === 'fluid' ? fluidBy : null);
        return (
          <View key={pageKey(page)} role="listitem">
            <Press
              role="button"
              aria-label={`${pageTitle(page)}: ${found}`}
              onPress={() => onOpen(page)}
              style={styles.row}
              pressedStyle={{ backgroundColor: colour.well }}
            >
              <View style={styles.what}>
                <Words>{pageTitle(page)}</Words>
                <Words size="small" tone="softWords">
                  {[by ? `${by.person}, ${clockTime(by.atMs)}` : 'Nobody yet', shown && 'photo']
                    .filter(Boolean)
                    .join(' · ')}
                </Words>
              </View>
              <View style={styles.found}>
                <Words strong tone={standingOf(page, proof) === 'wrong' ? 'stop' : 'words'}>
                  {found}
                </Words>
              </View>
            </Press>
          </View>
        );
      })}
    </View>
  );
}

/** What was found there, and whether it was measured. */
function foundWords(page: ProofPage, proof: Proof): string {
  const standing = standingOf(page, proof);
  if (page.kind === 'result') {
    const { measured, byFeel, takeUp, takeUpByFeel } =
      proof.controls[page.master.id] ?? NOTHING_TRIED;
    if (measured && 'result' in measured) return capital(judgedWords(measured));
    if (takeUp)
      return `Takes up ${takeUpWords(takeUp, page.master.control)}${takeUp === takeUpByFeel ? ', by feel' : ''}`;
    return byFeel ? `${capital(byFeel)}, by feel` : 'Open';
  }
  if (page.kind === 'fluid') return standing === 'right' ? 'Recorded' : 'Open';
  return standing === 'open' ? 'Open' : standing === 'right' ? 'Yes' : 'No';
}

function answerOf(page: ProofPage, answers: readonly ProofAnswer[]): Answered | null {
  const masterId = 'master' in page ? page.master.id : null;
  const item = page.kind === 'result' ? 'result' : 'item' in page ? page.item : null;
  return answers.find((a) => a.masterId === masterId && a.item === item) ?? null;
}

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    justifyContent: 'flex-start',
    alignItems: 'center',
    gap: SPACE.medium,
    borderTopWidth: 1,
    borderTopColor: colour.hairline,
    paddingVertical: SPACE.small,
  },
  what: { flex: 1 },
  found: { flex: 1 },
});
