export declare function markedProcesses(mark: string): number[];
export declare function endMarked(mark: string): void;
