/** Colours of the bands of a resistor, as they are painted. */
const PAINT: Record<string, string> = {
    black: '#1d1b19',
    brown: '#6b3f1d',
    red: '#b3261e',
    orange: '#d96b12',
    yellow: '#e3b917',
    green: '#2d7a3a',
    blue: '#1f4fa3',
    violet: '#6a3d99',
    grey: '#8b8b88',
    white: '#f4f2ec',
    gold: '#b8923a',
    silver: '#b4b8bb',
};

/** The bands of a resistor in their colours, and in words for whoever cannot tell those apart. */
export function Bands({ colours }: { colours: string[] }) {
    return (
        <span className="inline-flex items-center gap-3">
            <svg
                width={40 + colours.length * 22}
                height="26"
                viewBox={`0 0 ${40 + colours.length * 22} 26`}
                role="img"
                aria-label={`A resistor with the bands ${colours.join(', ')}`}
            >
                <line x1="0" y1="13" x2={40 + colours.length * 22} y2="13" stroke="currentColor" strokeWidth="2" />
                <rect x="12" y="3" width={16 + colours.length * 22} height="20" rx="6" fill="#dcc9a3" stroke="currentColor" />
                {colours.map((colour, i) => (
                    <rect key={i} x={24 + i * 20 + (i === colours.length - 1 ? 10 : 0)} y="3" width="9" height="20" fill={PAINT[colour]} stroke="#1d1b1955" />
                ))}
            </svg>
            {colours.join(', ')}
        </span>
    );
}
