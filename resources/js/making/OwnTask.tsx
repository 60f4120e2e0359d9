import { useState, type FormEvent } from 'react';
import type { PlanReport } from '../api/types';
import { useFieldError } from '../fields/PlainFields';
import { useBuild } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';
import { freeId } from './freeId';

const INPUT = 'border border-line bg-well px-2 py-1';

/** A task of the builder's own: what it needs, and what waits for it. */
export function OwnTask({ of }: { of: PlanReport }) {
    const { stored, edit } = useBuild();
    const { say } = useSpeaking();
    const own = stored.document.making.tasks;
    const [name, setName] = useState('');
    const [stage, setStage] = useState('finish');
    const [after, setAfter] = useState('');
    const [before, setBefore] = useState('');
    const path = `making.tasks.${own.length}`;
    const errors = [useFieldError(path), useFieldError(`${path}.needs`), useFieldError(`${path}.before`)].filter((each) => each !== undefined);
    const add = (event: FormEvent) => {
        event.preventDefault();
        if (name.trim() === '') {
            return;
        }
        edit({
            path,
            value: { id: freeId(own, 'task'), name: name.trim(), stage, needs: after === '' ? [] : [after], before: before === '' ? [] : [before] },
        });
        setName('');
    };
    const tasks = of.tasks.map((task) => (
        <option key={task.id} value={task.id}>
            {say(task.says)}
        </option>
    ));
    return (
        <form aria-label="A task of your own" className="mt-4 border border-line bg-sheet px-4 py-3" onSubmit={add}>
            <h2 className="text-[1.05rem]">A task of your own</h2>
            <div className="mt-2 flex flex-wrap items-end gap-3">
                <label className="min-w-56 flex-1">
                    <span className="block text-quiet">What is to be done</span>
                    <input className={`${INPUT} w-full`} maxLength={80} value={name} onChange={(event) => setName(event.target.value)} />
                </label>
                <label>
                    <span className="block text-quiet">Stage</span>
                    <select className={INPUT} value={stage} onChange={(event) => setStage(event.target.value)}>
                        {of.stages.map((each) => (
                            <option key={each.id} value={each.id}>
                                {each.name}
                            </option>
                        ))}
                    </select>
                </label>
                <label>
                    <span className="block text-quiet">After</span>
                    <select className={`${INPUT} max-w-64`} value={after} onChange={(event) => setAfter(event.target.value)}>
                        <option value="">nothing</option>
                        {tasks}
                    </select>
                </label>
                <label>
                    <span className="block text-quiet">And before</span>
                    <select className={`${INPUT} max-w-64`} value={before} onChange={(event) => setBefore(event.target.value)}>
                        <option value="">nothing</option>
                        {tasks}
                    </select>
                </label>
                <button type="submit" className="bg-accent px-3 py-1 font-semibold text-sheet">
                    Add it
                </button>
            </div>
            {errors.map((error) => (
                <p key={error} role="alert" className="mt-1 text-fails">
                    {error}
                </p>
            ))}
        </form>
    );
}
