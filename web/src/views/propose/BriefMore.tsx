import type { Brief } from '@warm-ladder/core/sequence';
import { selectProps, selectSeries } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { Choice } from '../../parts/fields/Choice';
import { NumberField } from '../../parts/fields/NumberField';

interface BriefMoreProps {
  readonly brief: Brief;
  readonly onChange: (more: Partial<Brief>) => void;
}

/** What a brief seldom says: the series it is for, the props at hand, how it is taught, how long is looked. */
export function BriefMore({ brief, onChange }: BriefMoreProps) {
  const series = useAppSelector(selectSeries);
  const props = useAppSelector(selectProps);
  const chosen = series.find(({ id }) => id === brief.series);
  const next = (chosen?.episodes.length ?? 0) + 1;
  return (
    <details className="text-base">
      <summary>More: series, props, how it is taught</summary>
      <p className="leading-loose">
        It is{' '}
        <Choice
          label="Series"
          value={brief.series ?? ''}
          choices={[['', 'a class by itself'], ...series.map(({ id, name }) => [id, `an episode of ${name}`] as const)]}
          onChange={(id) => {
            const wanted = series.find((each) => each.id === id);
            onChange({
              series: wanted?.id,
              episode: wanted && wanted.episodes.length + 1,
              order: brief.order === 'recap' && !wanted ? undefined : brief.order,
            });
          }}
        />
        {chosen && (
          <>
            , its number{' '}
            <NumberField
              label="Episode"
              value={brief.episode ?? next}
              limits={{ min: 1, max: next, whole: true }}
              className="w-10"
              onChange={(episode) => onChange({ episode })}
            />{' '}
            <label>
              <input
                type="checkbox"
                checked={brief.order === 'recap'}
                disabled={(brief.episode ?? next) < 2}
                onChange={({ target }) => onChange({ order: target.checked ? 'recap' : undefined })}
              />{' '}
              beginning with what the last one ended with
            </label>
          </>
        )}
        , taught{' '}
        <Choice
          label="Delivery"
          value={brief.delivery ?? 'group'}
          choices={[
            ['group', 'in a group'],
            ['on-demand', 'on demand'],
          ]}
          onChange={(delivery) => onChange({ delivery: delivery === 'on-demand' ? 'on-demand' : undefined })}
        />
        ; looked for{' '}
        <Choice
          label="Effort"
          value={brief.effort ?? 'quick'}
          choices={[
            ['quick', 'quickly'],
            ['thorough', 'thoroughly, which takes a minute or so'],
          ]}
          onChange={(effort) => onChange({ effort: effort === 'thorough' ? 'thorough' : undefined })}
        />
        .
      </p>
      <fieldset className="flex flex-wrap gap-x-4">
        <legend>Props at hand</legend>
        <label>
          <input
            type="checkbox"
            checked={brief.props === undefined}
            onChange={({ target }) => onChange({ props: target.checked ? undefined : [] })}
          />{' '}
          what is usually at hand
        </label>
        {brief.props !== undefined &&
          props.map(({ id, name }) => (
            <label key={id}>
              <input
                type="checkbox"
                checked={brief.props?.includes(id) ?? false}
                onChange={({ target }) =>
                  onChange({
                    props: props
                      .map((each) => each.id)
                      .filter((each) => (each === id ? target.checked : brief.props?.includes(each))),
                  })
                }
              />{' '}
              {name}
            </label>
          ))}
      </fieldset>
    </details>
  );
}
