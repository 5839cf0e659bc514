export { reconciled } from './displaysTool.ts';
export { lineChecked } from './lineTool.ts';
export { taughtBy } from './teachTool.ts';
export { askedFields, emptyValues, isComplete, resultText, workTool } from './tool.ts';
export type { Tool, ToolField, ToolResult, ToolValues } from './tool.ts';
export { TOOLS, changesAt, findTool } from './toolDrawer.ts';
