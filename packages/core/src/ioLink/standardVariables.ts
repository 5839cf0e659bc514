import type { Access } from './descriptionTypes.ts';

/** Variables that every device has, by their standard ids, with index and words (IO-Link Interface, annex B.2). */
export const STANDARD_VARIABLES: Readonly<
  Record<string, { index: number; name: string; access: Access; bytes: number }>
> = {
  V_VendorName: { index: 16, name: 'Vendor name', access: 'ro', bytes: 64 },
  V_VendorText: { index: 17, name: 'Vendor text', access: 'ro', bytes: 64 },
  V_ProductName: { index: 18, name: 'Product name', access: 'ro', bytes: 64 },
  V_ProductID: { index: 19, name: 'Product id', access: 'ro', bytes: 64 },
  V_ProductText: { index: 20, name: 'Product text', access: 'ro', bytes: 64 },
  V_SerialNumber: { index: 21, name: 'Serial number', access: 'ro', bytes: 16 },
  V_HardwareRevision: { index: 22, name: 'Hardware revision', access: 'ro', bytes: 64 },
  V_FirmwareRevision: { index: 23, name: 'Firmware revision', access: 'ro', bytes: 64 },
  V_ApplicationSpecificTag: { index: 24, name: 'Tag of the application', access: 'rw', bytes: 32 },
};
