/* eslint-disable */
import * as Router from 'expo-router';

export * from 'expo-router';

declare module 'expo-router' {
  export namespace ExpoRouter {
    export interface __routes<T extends string | object = string> {
      hrefInputParams:
        | { pathname: Router.RelativePathString; params?: Router.UnknownInputParams }
        | { pathname: Router.ExternalPathString; params?: Router.UnknownInputParams }
        | { pathname: `/`; params?: Router.UnknownInputParams }
        | { pathname: `/_sitemap`; params?: Router.UnknownInputParams }
        | { pathname: `/tools`; params?: Router.UnknownInputParams }
        | { pathname: `/try`; params?: Router.UnknownInputParams }
        | { pathname: `/+not-found`; params: Router.UnknownInputParams & {} }
        | { pathname: `/job/[jobId]/about`; params: Router.UnknownInputParams & { jobId: string | number } }
        | {
            pathname: `/job/[jobId]/allocate`;
            params: Router.UnknownInputParams & { jobId: string | number };
          }
        | { pathname: `/job/[jobId]/buses`; params: Router.UnknownInputParams & { jobId: string | number } }
        | { pathname: `/job/[jobId]`; params: Router.UnknownInputParams & { jobId: string | number } }
        | {
            pathname: `/job/[jobId]/practice`;
            params: Router.UnknownInputParams & { jobId: string | number };
          }
        | { pathname: `/job/[jobId]/faults`; params: Router.UnknownInputParams & { jobId: string | number } }
        | { pathname: `/job/[jobId]/kinds`; params: Router.UnknownInputParams & { jobId: string | number } }
        | { pathname: `/job/[jobId]/live`; params: Router.UnknownInputParams & { jobId: string | number } }
        | { pathname: `/job/[jobId]/log`; params: Router.UnknownInputParams & { jobId: string | number } }
        | {
            pathname: `/job/[jobId]/new-point`;
            params: Router.UnknownInputParams & { jobId: string | number };
          }
        | { pathname: `/job/[jobId]/panel`; params: Router.UnknownInputParams & { jobId: string | number } }
        | {
            pathname: `/job/[jobId]/supplies`;
            params: Router.UnknownInputParams & { jobId: string | number };
          }
        | {
            pathname: `/job/[jobId]/labels`;
            params: Router.UnknownInputParams & { jobId: string | number };
          }
        | {
            pathname: `/job/[jobId]/photos`;
            params: Router.UnknownInputParams & { jobId: string | number };
          }
        | {
            pathname: `/job/[jobId]/code`;
            params: Router.UnknownInputParams & { jobId: string | number };
          }
        | { pathname: `/job/[jobId]/wires`; params: Router.UnknownInputParams & { jobId: string | number } }
        | {
            pathname: `/job/[jobId]/plan/[planId]`;
            params: Router.UnknownInputParams & { jobId: string | number; planId: string | number };
          }
        | {
            pathname: `/job/[jobId]/practice/[code]`;
            params: Router.UnknownInputParams & { jobId: string | number; code: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/edit`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/fit`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/history`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/log`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/parts`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/photos`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/prove`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/program`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/fault`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/relay`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/set`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/wires`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/scale/calibrate`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/scale/code`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/scale/displays`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/switch`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/switch/code`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/switch/device`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/switch/ladder`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/switch/play`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/switch/teach`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/switch/threshold`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/scale/flow`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/scale/line`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/scale`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/scale/setup`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/scale/tables`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/ports/[moduleId]`;
            params: Router.UnknownInputParams & { jobId: string | number; moduleId: string | number };
          }
        | { pathname: `/tools/[toolId]`; params: Router.UnknownInputParams & { toolId: string | number } };
      hrefOutputParams:
        | { pathname: Router.RelativePathString; params?: Router.UnknownOutputParams }
        | { pathname: Router.ExternalPathString; params?: Router.UnknownOutputParams }
        | { pathname: `/`; params?: Router.UnknownOutputParams }
        | { pathname: `/_sitemap`; params?: Router.UnknownOutputParams }
        | { pathname: `/tools`; params?: Router.UnknownOutputParams }
        | { pathname: `/try`; params?: Router.UnknownOutputParams }
        | { pathname: `/+not-found`; params: Router.UnknownOutputParams & {} }
        | { pathname: `/job/[jobId]/about`; params: Router.UnknownOutputParams & { jobId: string } }
        | { pathname: `/job/[jobId]/allocate`; params: Router.UnknownOutputParams & { jobId: string } }
        | { pathname: `/job/[jobId]/buses`; params: Router.UnknownOutputParams & { jobId: string } }
        | { pathname: `/job/[jobId]`; params: Router.UnknownOutputParams & { jobId: string } }
        | { pathname: `/job/[jobId]/practice`; params: Router.UnknownOutputParams & { jobId: string } }
        | { pathname: `/job/[jobId]/faults`; params: Router.UnknownOutputParams & { jobId: string } }
        | { pathname: `/job/[jobId]/kinds`; params: Router.UnknownOutputParams & { jobId: string } }
        | { pathname: `/job/[jobId]/live`; params: Router.UnknownOutputParams & { jobId: string } }
        | { pathname: `/job/[jobId]/log`; params: Router.UnknownOutputParams & { jobId: string } }
        | { pathname: `/job/[jobId]/new-point`; params: Router.UnknownOutputParams & { jobId: string } }
        | { pathname: `/job/[jobId]/panel`; params: Router.UnknownOutputParams & { jobId: string } }
        | { pathname: `/job/[jobId]/supplies`; params: Router.UnknownOutputParams & { jobId: string } }
        | { pathname: `/job/[jobId]/labels`; params: Router.UnknownOutputParams & { jobId: string } }
        | { pathname: `/job/[jobId]/photos`; params: Router.UnknownOutputParams & { jobId: string } }
        | { pathname: `/job/[jobId]/code`; params: Router.UnknownOutputParams & { jobId: string } }
        | { pathname: `/job/[jobId]/wires`; params: Router.UnknownOutputParams & { jobId: string } }
        | {
            pathname: `/job/[jobId]/plan/[planId]`;
            params: Router.UnknownOutputParams & { jobId: string; planId: string };
          }
        | {
            pathname: `/job/[jobId]/practice/[code]`;
            params: Router.UnknownOutputParams & { jobId: string; code: string };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/edit`;
            params: Router.UnknownOutputParams & { jobId: string; pointId: string };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/fit`;
            params: Router.UnknownOutputParams & { jobId: string; pointId: string };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/history`;
            params: Router.UnknownOutputParams & { jobId: string; pointId: string };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]`;
            params: Router.UnknownOutputParams & { jobId: string; pointId: string };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/log`;
            params: Router.UnknownOutputParams & { jobId: string; pointId: string };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/parts`;
            params: Router.UnknownOutputParams & { jobId: string; pointId: string };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/photos`;
            params: Router.UnknownOutputParams & { jobId: string; pointId: string };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/prove`;
            params: Router.UnknownOutputParams & { jobId: string; pointId: string };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/program`;
            params: Router.UnknownOutputParams & { jobId: string; pointId: string };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/fault`;
            params: Router.UnknownOutputParams & { jobId: string; pointId: string };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/relay`;
            params: Router.UnknownOutputParams & { jobId: string; pointId: string };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/set`;
            params: Router.UnknownOutputParams & { jobId: string; pointId: string };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/wires`;
            params: Router.UnknownOutputParams & { jobId: string; pointId: string };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/scale/calibrate`;
            params: Router.UnknownOutputParams & { jobId: string; pointId: string };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/scale/code`;
            params: Router.UnknownOutputParams & { jobId: string; pointId: string };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/scale/displays`;
            params: Router.UnknownOutputParams & { jobId: string; pointId: string };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/switch`;
            params: Router.UnknownOutputParams & { jobId: string; pointId: string };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/switch/code`;
            params: Router.UnknownOutputParams & { jobId: string; pointId: string };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/switch/device`;
            params: Router.UnknownOutputParams & { jobId: string; pointId: string };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/switch/ladder`;
            params: Router.UnknownOutputParams & { jobId: string; pointId: string };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/switch/play`;
            params: Router.UnknownOutputParams & { jobId: string; pointId: string };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/switch/teach`;
            params: Router.UnknownOutputParams & { jobId: string; pointId: string };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/switch/threshold`;
            params: Router.UnknownOutputParams & { jobId: string; pointId: string };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/scale/flow`;
            params: Router.UnknownOutputParams & { jobId: string; pointId: string };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/scale/line`;
            params: Router.UnknownOutputParams & { jobId: string; pointId: string };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/scale`;
            params: Router.UnknownOutputParams & { jobId: string; pointId: string };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/scale/setup`;
            params: Router.UnknownOutputParams & { jobId: string; pointId: string };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/scale/tables`;
            params: Router.UnknownOutputParams & { jobId: string; pointId: string };
          }
        | {
            pathname: `/job/[jobId]/ports/[moduleId]`;
            params: Router.UnknownOutputParams & { jobId: string; moduleId: string };
          }
        | { pathname: `/tools/[toolId]`; params: Router.UnknownOutputParams & { toolId: string } };
      href:
        | Router.RelativePathString
        | Router.ExternalPathString
        | `/${`?${string}` | `#${string}` | ''}`
        | `/_sitemap${`?${string}` | `#${string}` | ''}`
        | `/tools${`?${string}` | `#${string}` | ''}`
        | `/try${`?${string}` | `#${string}` | ''}`
        | { pathname: Router.RelativePathString; params?: Router.UnknownInputParams }
        | { pathname: Router.ExternalPathString; params?: Router.UnknownInputParams }
        | { pathname: `/`; params?: Router.UnknownInputParams }
        | { pathname: `/_sitemap`; params?: Router.UnknownInputParams }
        | { pathname: `/tools`; params?: Router.UnknownInputParams }
        | { pathname: `/try`; params?: Router.UnknownInputParams }
        | `/+not-found${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/about${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/allocate${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/buses${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/practice${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/faults${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/kinds${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/live${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/log${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/new-point${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/panel${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/supplies${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/labels${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/photos${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/code${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/wires${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/plan/${Router.SingleRoutePart<T>}${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/practice/${Router.SingleRoutePart<T>}${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/point/${Router.SingleRoutePart<T>}/edit${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/point/${Router.SingleRoutePart<T>}/fit${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/point/${Router.SingleRoutePart<T>}/history${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/point/${Router.SingleRoutePart<T>}${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/point/${Router.SingleRoutePart<T>}/log${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/point/${Router.SingleRoutePart<T>}/parts${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/point/${Router.SingleRoutePart<T>}/photos${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/point/${Router.SingleRoutePart<T>}/prove${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/point/${Router.SingleRoutePart<T>}/fault${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/point/${Router.SingleRoutePart<T>}/relay${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/point/${Router.SingleRoutePart<T>}/program${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/point/${Router.SingleRoutePart<T>}/set${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/point/${Router.SingleRoutePart<T>}/wires${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/point/${Router.SingleRoutePart<T>}/scale/calibrate${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/point/${Router.SingleRoutePart<T>}/scale/code${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/point/${Router.SingleRoutePart<T>}/scale/displays${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/point/${Router.SingleRoutePart<T>}/switch${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/point/${Router.SingleRoutePart<T>}/switch/code${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/point/${Router.SingleRoutePart<T>}/switch/device${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/point/${Router.SingleRoutePart<T>}/switch/ladder${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/point/${Router.SingleRoutePart<T>}/switch/play${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/point/${Router.SingleRoutePart<T>}/switch/teach${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/point/${Router.SingleRoutePart<T>}/switch/threshold${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/point/${Router.SingleRoutePart<T>}/scale/flow${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/point/${Router.SingleRoutePart<T>}/scale/line${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/point/${Router.SingleRoutePart<T>}/scale${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/point/${Router.SingleRoutePart<T>}/scale/setup${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/point/${Router.SingleRoutePart<T>}/scale/tables${`?${string}` | `#${string}` | ''}`
        | `/job/${Router.SingleRoutePart<T>}/ports/${Router.SingleRoutePart<T>}${`?${string}` | `#${string}` | ''}`
        | `/tools/${Router.SingleRoutePart<T>}${`?${string}` | `#${string}` | ''}`
        | { pathname: `/+not-found`; params: Router.UnknownInputParams & {} }
        | { pathname: `/job/[jobId]/about`; params: Router.UnknownInputParams & { jobId: string | number } }
        | {
            pathname: `/job/[jobId]/allocate`;
            params: Router.UnknownInputParams & { jobId: string | number };
          }
        | { pathname: `/job/[jobId]/buses`; params: Router.UnknownInputParams & { jobId: string | number } }
        | { pathname: `/job/[jobId]`; params: Router.UnknownInputParams & { jobId: string | number } }
        | {
            pathname: `/job/[jobId]/practice`;
            params: Router.UnknownInputParams & { jobId: string | number };
          }
        | { pathname: `/job/[jobId]/faults`; params: Router.UnknownInputParams & { jobId: string | number } }
        | { pathname: `/job/[jobId]/kinds`; params: Router.UnknownInputParams & { jobId: string | number } }
        | { pathname: `/job/[jobId]/live`; params: Router.UnknownInputParams & { jobId: string | number } }
        | { pathname: `/job/[jobId]/log`; params: Router.UnknownInputParams & { jobId: string | number } }
        | {
            pathname: `/job/[jobId]/new-point`;
            params: Router.UnknownInputParams & { jobId: string | number };
          }
        | { pathname: `/job/[jobId]/panel`; params: Router.UnknownInputParams & { jobId: string | number } }
        | {
            pathname: `/job/[jobId]/supplies`;
            params: Router.UnknownInputParams & { jobId: string | number };
          }
        | {
            pathname: `/job/[jobId]/labels`;
            params: Router.UnknownInputParams & { jobId: string | number };
          }
        | {
            pathname: `/job/[jobId]/photos`;
            params: Router.UnknownInputParams & { jobId: string | number };
          }
        | {
            pathname: `/job/[jobId]/code`;
            params: Router.UnknownInputParams & { jobId: string | number };
          }
        | { pathname: `/job/[jobId]/wires`; params: Router.UnknownInputParams & { jobId: string | number } }
        | {
            pathname: `/job/[jobId]/plan/[planId]`;
            params: Router.UnknownInputParams & { jobId: string | number; planId: string | number };
          }
        | {
            pathname: `/job/[jobId]/practice/[code]`;
            params: Router.UnknownInputParams & { jobId: string | number; code: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/edit`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/fit`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/history`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/log`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/parts`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/photos`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/prove`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/program`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/fault`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/relay`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/set`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/wires`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/scale/calibrate`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/scale/code`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/scale/displays`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/switch`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/switch/code`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/switch/device`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/switch/ladder`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/switch/play`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/switch/teach`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/switch/threshold`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/scale/flow`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/scale/line`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/scale`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/scale/setup`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/point/[pointId]/scale/tables`;
            params: Router.UnknownInputParams & { jobId: string | number; pointId: string | number };
          }
        | {
            pathname: `/job/[jobId]/ports/[moduleId]`;
            params: Router.UnknownInputParams & { jobId: string | number; moduleId: string | number };
          }
        | { pathname: `/tools/[toolId]`; params: Router.UnknownInputParams & { toolId: string | number } };
    }
  }
}
