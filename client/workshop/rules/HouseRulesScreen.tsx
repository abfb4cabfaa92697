import type { HouseRulesRecord } from '@brook/contract';
import { PRACTICE, sourceWords } from '@brook/core/base/figure';
import { AMOUNTS, SCHOOLS } from '@brook/core/bleed/rules';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { ApiProblem } from '../../data/api';
import { useChangeHouseRules, useHouseRules, usePaceProposals } from '../../data/houseRules';
import { useSession } from '../../data/session';
import { ConflictPage } from '../../ui/forms/ConflictPage';
import { broughtTo, withTheirs } from '../../ui/forms/threeWay';
import { JobsLink } from '../../job/frame/JobHead';
import { ActionBar } from '../../ui/ActionBar';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Field } from '../../ui/Field';
import { Caution } from '../../ui/Notice';
import { Page } from '../../ui/Page';
import { FailedPage, Loading } from '../../ui/States';
import { leavePage, useUnsaved } from '../../ui/unsaved';
import { Words } from '../../ui/Words';
import { SPACE } from '../../ui/theme';
import { usePageTitle } from '../../ui/usePageTitle';
import {
  AMOUNT_KEYS,
  RULE_KEYS,
  ruleLabel,
  rulesOf,
  ruleTexts,
  ruleWords,
  type RuleTexts,
} from './ruleTexts';

/** Everything on which workshops differ, with what speaks for each side; a lead chooses. */
export function HouseRulesScreen() {
  usePageTitle('House rules');
  const { data, error, isPending, refetch } = useHouseRules();
  const lead = useSession().data?.user.role === 'lead';
  const proposals = usePaceProposals(lead).data?.proposals ?? [];
  const [changes, setChanges] = useState<Partial<RuleTexts>>({});
  // The rules that the first change was made on: a lead beside may have changed them since.
  const [opened, setOpened] = useState<HouseRulesRecord | null>(null);
  useUnsaved(Object.keys(changes).length > 0);
  const change = useChangeHouseRules();
  if (isPending) return <Loading what="the house rules" />;
  if (!data)
    return <FailedPage what="The page of house rules" error={error} again={() => void refetch()} />;
  const builtOn = opened ?? data;
  const base = ruleTexts(builtOn.rules);
  const theirs = ruleTexts(data.rules);
  const shown = { ...base, ...changes };
  const { built, conflicts } = broughtTo(
    { version: builtOn.version, base, draft: shown },
    data.version,
    theirs,
  );
  const changed = Object.keys(changes).length > 0;
  if (changed && built.version !== builtOn.version)
    return (
      <ConflictPage
        head={
          <Words size="head" heading={1}>
            House rules
          </Words>
        }
        conflicts={conflicts.map((key) => ({
          key,
          label: ruleLabel(key),
          mine: ruleWords(key, built.draft[key]),
          theirs: ruleWords(key, theirs[key]),
        }))}
        onDecide={(keys) => {
          const { draft } = withTheirs(built, keys);
          setChanges(
            Object.fromEntries(
              RULE_KEYS.filter((k) => draft[k] !== theirs[k]).map((k) => [k, draft[k]]),
            ),
          );
          setOpened(data);
        }}
      />
    );
  const problem = change.error instanceof ApiProblem ? change.error : null;
  const set = (part: Partial<RuleTexts>) => {
    setOpened(builtOn);
    setChanges((c) => ({ ...c, ...part }));
  };
  const send = () => {
    change.mutate(
      { rules: rulesOf(shown), version: builtOn.version },
      {
        onSuccess: () => {
          setChanges({});
          setOpened(null);
        },
      },
    );
  };
  return (
    <Page
      action={
        lead ? (
          <ActionBar
            label="Keep these rules"
            busy={change.isPending}
            waitsFor={changed ? null : 'Nothing is changed'}
            onPress={send}
            side={{ label: 'Back', onPress: () => leavePage(() => router.back()) }}
          />
        ) : (
          <ActionBar label="Back" onPress={() => router.back()} />
        )
      }
    >
      <View>
        <JobsLink />
        <Words size="head" heading={1}>
          House rules
        </Words>
        <Words>{`Where workshops differ, with what speaks for each side. The maker’s word wins over all of them.${lead ? '' : ' A lead of the workshop changes them.'}`}</Words>
        <Words
          size="small"
          tone="softWords"
        >{`${sourceWords(PRACTICE)}. Each verdict, plan and record keeps the rules that were in force.`}</Words>
      </View>
      {SCHOOLS.map((school) => (
        <Choice
          key={school.key}
          question={school.question}
          stacked
          disabled={!lead}
          options={school.options.map((o) => ({
            value: o.value as string,
            label: o.label,
            about: o.speaksFor,
          }))}
          chosen={shown[school.key]}
          onChoose={(value) => set({ [school.key]: value })}
          fault={problem?.faultOf(school.key)}
        />
      ))}
      {lead ? (
        <>
          <Words strong heading={2}>
            Amounts and times
          </Words>
          <Words size="small" tone="softWords">
            The plan’s minutes go by these. Put in what your own people need. What your runs say is
            the middle one of all bleeders that told it, pauses left out.
          </Words>
          {AMOUNT_KEYS.map((key) => (
            <View key={key} style={{ gap: SPACE.small }}>
              <Field
                label={ruleLabel(key)}
                value={shown[key]}
                onChange={(text) => set({ [key]: text })}
                unit={AMOUNTS[key].unit}
                inputMode="decimal"
                fault={problem?.faultOf(key)}
              />
              {proposals
                .filter((p) => p.key === key && String(p.value) !== shown[key])
                .map((p) => (
                  <Button
                    key={p.key}
                    small
                    label={`Your last ${p.openings} bleeders say ${p.value} ${AMOUNTS[key].unit}: take it`}
                    onPress={() => set({ [key]: String(p.value) })}
                  />
                ))}
            </View>
          ))}
        </>
      ) : (
        AMOUNT_KEYS.map((key) => (
          <Words key={key} size="small">
            {`${ruleLabel(key)}: ${ruleWords(key, String(data.rules[key]))}`}
          </Words>
        ))
      )}
      {change.error && !problem?.faults.length ? <Caution title={change.error.message} /> : null}
    </Page>
  );
}
