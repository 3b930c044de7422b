import { useState } from 'react';
import type { CardSeries } from '@portiona/core';
import type { SeriesDto } from '../../api/api.gen';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { TextArea } from '../../ui/TextArea';
import { useChangeSettings } from '../kitchen/useChangeSettings';

/** What a series says of itself, on the title page and to readers. Each is saved when it is left. */
export function SeriesWords({ series: { name, ...was } }: { readonly series: SeriesDto }) {
  const change = useChangeSettings();
  const [subtitle, setSubtitle] = useState(was.subtitle ?? '');
  const [about, setAbout] = useState(was.about ?? '');
  const keep = () => {
    if (subtitle.trim() === (was.subtitle ?? '') && about.trim() === (was.about ?? '')) return;
    const said: CardSeries = {
      name,
      ...(subtitle.trim() === '' ? {} : { subtitle: subtitle.trim() }),
      ...(about.trim() === '' ? {} : { about: about.trim() }),
    };
    change({ card: { series: [said] } });
  };
  return (
    <section className="series-words">
      <h2>Its title page</h2>
      <Field label="Under its name">
        <Input className="font-serif" value={subtitle} maxLength={200} onChange={({ target }) => setSubtitle(target.value)} onBlur={keep} />
      </Field>
      <Field label="What it is, in a paragraph or two">
        <TextArea rows={4} maxLength={2000} value={about} onChange={({ target }) => setAbout(target.value)} onBlur={keep} />
      </Field>
    </section>
  );
}
