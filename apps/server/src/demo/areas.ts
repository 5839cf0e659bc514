/** Where in the hatchery the points are. */
const POINTS_OF: Readonly<Record<string, string>> = {
  'Tray line': 'PE-101 FS-116 PE-105 PE-113 UT-216 PX-115 PX-108 PX-203 WT-236',
  Hoist: 'PE-106 ZS-110 ZS-111 WT-222 ZS-250 GS-212',
  Filters: 'PX-102 PX-205 PX-206 ES-210 GS-211 FT-232 PT-275 FQ-261 YV-254 FT-233',
  Tanks: 'LX-107 UX-109 LX-208 LX-215 TT-226 TT-234 LT-270 YV-271 AT-223 FT-220 FQ-260 LT-218 AT-219',
  'Pump pit': 'LS-103 LS-114 LS-202 PT-217 LS-209 UT-224 PT-221 PT-242 SP-241 XI-243 XS-240 XA-244 SC-245',
  Blowers: 'PX-112 PX-201 PT-225 FT-231 FT-235 VT-276 AX-214',
  'Plant room': 'LT-228 TT-227 TT-229 TT-230 TS-251 YV-252 YV-253 JT-272 JT-273 JN-274 AX-213',
};

const AREAS = new Map(
  Object.entries(POINTS_OF).flatMap(([area, tags]) => tags.split(' ').map((tag) => [tag, area] as const)),
);

/** The area of a point by its tag; nothing where nobody said one. */
export const areaOf = (tag: string): string | undefined => AREAS.get(tag);
