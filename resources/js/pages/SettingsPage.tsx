import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client';
import type { Build } from '../api/types';
import { QuantityField } from '../fields/QuantityField';
import { FieldGroup } from '../stations/StationFields';
import { WhoIsNear } from '../stations/WhoIsNear';
import { useBuild } from '../state/BuildContext';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';

type Settings = Build['settings'];

const LABELS: Record<keyof Settings, string> = {
    peak_margin: 'Torque in hand, times the need',
    over_time_share: 'Time in hand, share of the target',
    hold_margin: 'Holding with the power off, times the load',
    stop_clearance: 'From switch to stop, times the run-on',
    motor_continuous_share: 'A gear motor bears all day, share of stall',
    servo_continuous_share: 'A servo bears all day, share of stall',
    ambient_C: 'Air around the motors',
    battery_days: 'A battery shall last, days',
    scan_s: 'The controller looks every',
    debounce_s: 'A switch is believed after',
    driver_s: 'The driver has acted after',
    timer_Hz: 'Clock of its timer',
    timer_stages: 'Stages of the timer’s counter',
    clear_m: 'Gap asked for around what moves',
    hands_m: 'Where hands can be, a gap stays over',
};

interface Group {
    title: string;
    keys: (keyof Settings)[];
}

const LEFT: Group[] = [
    {
        title: 'What is tight',
        keys: ['peak_margin', 'over_time_share', 'hold_margin', 'stop_clearance', 'motor_continuous_share', 'servo_continuous_share', 'clear_m', 'hands_m'],
    },
    { title: 'The bench', keys: ['ambient_C', 'battery_days'] },
];

const RIGHT: Group[] = [{ title: 'The controller', keys: ['scan_s', 'debounce_s', 'driver_s', 'timer_Hz', 'timer_stages'] }];

const OPTIONAL: Partial<Record<keyof Settings, string>> = { timer_Hz: 'none' };

/** What the judge holds a build against, and what its bench and controller are like. */
export function SettingsPage() {
    const { stored, edit } = useBuild();
    const { book, system } = useSpeaking();
    const { data: schema } = useQuery({ queryKey: ['schema', 'build'], queryFn: api.buildSchema, staleTime: Infinity });
    const settings = stored.document.settings;
    const said = schema?.properties.settings.properties;
    const usual = (key: keyof Settings) => {
        const value = said?.[key]?.default ?? null;
        const kept = book.keptIn(key);
        if (value === null) return OPTIONAL[key] ?? '';
        return book.dimension(kept) === 'number'
            ? significant(value, 6)
            : book.text({ si: book.toSi(value, kept), dimension: book.dimension(kept) }, system, 6);
    };
    const changed = (Object.keys(LABELS) as (keyof Settings)[]).filter((key) => said !== undefined && (said[key]?.default ?? null) !== settings[key]);
    const fields = (group: Group) => (
        <FieldGroup key={group.title} title={group.title}>
            {group.keys.map((key) => (
                <QuantityField
                    key={key}
                    label={LABELS[key]}
                    path={`settings.${key}`}
                    value={settings[key]}
                    empty={OPTIONAL[key]}
                    how={said?.[key] === undefined ? undefined : `${said[key].description} Usual: ${usual(key)}.`}
                />
            ))}
        </FieldGroup>
    );
    return (
        <main className="mx-auto max-w-6xl px-6 py-5">
            <h1 className="text-[1.5rem]">Settings</h1>
            <p className="text-quiet">
                What the judge holds this build against, and what its bench and its controller are like. Everything is judged anew when one changes.
            </p>
            {changed.length > 0 && (
                <p className="mt-2">
                    {changed.length === 1 ? 'One is' : `${changed.length} are`} not as usual: {changed.map((key) => LABELS[key].toLowerCase()).join('; ')}.{' '}
                    <button
                        type="button"
                        className="border border-line bg-sheet px-2 py-0.5 hover:bg-well"
                        onClick={() => edit(...changed.map((key) => ({ path: `settings.${key}`, value: said?.[key]?.default ?? null })))}
                    >
                        Put all back to usual
                    </button>
                </p>
            )}
            <div className="mt-4 grid gap-x-10 gap-y-6 md:grid-cols-2">
                <div className="space-y-6">{LEFT.map(fields)}</div>
                <div className="space-y-6">
                    {RIGHT.map(fields)}
                    <WhoIsNear />
                </div>
            </div>
        </main>
    );
}
