export const BROWSER: { executablePath: string; args: string[] };
export const FOR_TESTS: { executablePath: string; args: string[] };
