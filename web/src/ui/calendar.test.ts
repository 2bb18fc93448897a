import ICAL from 'ical.js';
import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';

const fixture = (name: string) => readFileSync(`../tests/fixtures/${name}`, 'utf8');

it('ical.js reads the calendar as Ical.Net does', () => {
  const calendar = new ICAL.Component(ICAL.parse(fixture('calendar.ics')) as string[]);
  for (const zone of calendar.getAllSubcomponents('vtimezone')) ICAL.TimezoneService.register(new ICAL.Timezone(zone));
  const read = calendar
    .getAllSubcomponents('vevent')
    .map((component) => {
      const event = new ICAL.Event(component);
      const utc = event.startDate.isDate ? null : event.startDate.toJSDate().toISOString().replace('.000', '');
      return {
        uid: event.uid,
        sequence: event.sequence,
        status: component.getFirstPropertyValue('status'),
        summary: event.summary,
        start: event.startDate.toString(),
        end: event.endDate.toString(),
        startUtc: utc,
      };
    })
    .sort((a, b) => a.uid.localeCompare(b.uid));
  expect(read).toEqual(JSON.parse(fixture('calendar.json')));
});
