import { describe, expect, it } from 'vitest';
import { words } from '../../../resources/js/calculators/CalculatorForm';

describe('words of a key', () => {
    it.each([
        ['spring_N_per_m', 'N/m', 'Spring'],
        ['peak_torque_Nm', 'N·m', 'Peak torque'],
        ['wheel_radius_m', 'm', 'Wheel radius'],
        ['counterweight_kgm', 'kg·m', 'Counterweight, kg × m'],
        ['teeth', '', 'Teeth'],
        ['cg_m', 'm', 'Balance point'],
    ])('%s', (key, unit, says) => {
        expect(words(key, unit)).toBe(says);
    });
});
