export function nastyShapes(length: number): readonly (readonly [name: string, text: string])[];
