/** One of a few words, on one line with what it decides. */
export function Pick<V extends string | number>({
    label,
    value,
    choices,
    onPick,
}: {
    label: string;
    value: V;
    choices: { value: V; label: string }[];
    onPick: (value: V) => void;
}) {
    return (
        <label className="flex items-center gap-2">
            <span className="text-quiet">{label}</span>
            <select
                className="border border-line bg-well px-2 py-0.5"
                value={value}
                onChange={(event) => onPick(choices.find((choice) => String(choice.value) === event.target.value)!.value)}
            >
                {choices.map((choice) => (
                    <option key={choice.value} value={choice.value}>
                        {choice.label}
                    </option>
                ))}
            </select>
        </label>
    );
}
