/** A description written by hand after the open format: a made-up distance sensor with two switching outputs. */
export const DISTANCE_SENSOR = `<?xml version="1.0" encoding="UTF-8"?>
<IODevice xmlns="http://www.io-link.com/IODD/2010/10" xmlns:xsi="http://www.w3.org/2001/XMLSchema-instance">
  <DocumentInfo version="V1.2" releaseDate="2026-03-01" copyright="made up"/>
  <ProfileBody>
    <DeviceIdentity vendorId="4711" vendorName="Heron Works" deviceId="131073">
      <VendorText textId="TI_Vendor"/>
      <DeviceName textId="TI_Device"/>
      <DeviceVariantCollection>
        <DeviceVariant productId="HW-D2"><Name textId="TI_Product"/></DeviceVariant>
      </DeviceVariantCollection>
    </DeviceIdentity>
    <DeviceFunction>
      <DatatypeCollection>
        <Datatype id="D_Switch" xsi:type="UIntegerT" bitLength="16"><ValueRange lowerValue="30" upperValue="2000"/></Datatype>
      </DatatypeCollection>
      <VariableCollection>
        <StdVariableRef id="V_VendorName" defaultValue="Heron Works"/>
        <StdVariableRef id="V_ApplicationSpecificTag"/>
        <Variable id="V_SP1" index="60" accessRights="rw" defaultValue="500">
          <DatatypeRef datatypeId="D_Switch"/><Name textId="TI_SP1"/><Description textId="TI_SP1_D"/>
        </Variable>
        <Variable id="V_Mode" index="61" accessRights="rw" defaultValue="0">
          <Datatype xsi:type="RecordT" bitLength="16">
            <RecordItem subindex="1" bitOffset="8"><SimpleDatatype xsi:type="UIntegerT" bitLength="8">
              <SingleValue value="0"><Name textId="TI_NO"/></SingleValue><SingleValue value="1"><Name textId="TI_NC"/></SingleValue>
            </SimpleDatatype><Name textId="TI_Logic"/></RecordItem>
            <RecordItem subindex="2" bitOffset="0"><SimpleDatatype xsi:type="IntegerT" bitLength="8"/><Name textId="TI_Hys"/></RecordItem>
          </Datatype><Name textId="TI_Mode"/>
        </Variable>
      </VariableCollection>
      <ProcessDataCollection>
        <ProcessData id="P1">
          <ProcessDataIn id="PI1" bitLength="16"><Name textId="TI_PD"/>
            <Datatype xsi:type="RecordT" bitLength="16">
              <RecordItem subindex="1" bitOffset="4"><SimpleDatatype xsi:type="UIntegerT" bitLength="12"/><Name textId="TI_Dist"/></RecordItem>
              <RecordItem subindex="2" bitOffset="1"><SimpleDatatype xsi:type="BooleanT"/><Name textId="TI_Q2"/></RecordItem>
              <RecordItem subindex="3" bitOffset="0"><SimpleDatatype xsi:type="BooleanT"/><Name textId="TI_Q1"/></RecordItem>
            </Datatype>
          </ProcessDataIn>
        </ProcessData>
      </ProcessDataCollection>
      <UserInterface>
        <ProcessDataRefCollection>
          <ProcessDataRef processDataId="PI1"><ProcessDataRecordItemInfo subindex="1" gradient="0.5" offset="30" unitCode="1013"/></ProcessDataRef>
        </ProcessDataRefCollection>
        <MenuCollection>
          <Menu id="M_Main"><Name textId="TI_Menu"/><MenuRef menuId="M_Sub"/><VariableRef variableId="V_SP1" gradient="0.1" unitCode="1012"/></Menu>
          <Menu id="M_Sub"><RecordItemRef variableId="V_Mode" subindex="1"/></Menu>
        </MenuCollection>
      </UserInterface>
    </DeviceFunction>
  </ProfileBody>
  <CommNetworkProfile iolinkRevision="V1.1">
    <TransportLayers><PhysicalLayer bitrate="COM3" minCycleTime="2300"/></TransportLayers>
  </CommNetworkProfile>
  <ExternalTextCollection>
    <PrimaryLanguage xml:lang="en">
      <Text id="TI_Vendor" value="Made up"/><Text id="TI_Device" value="Distance sensor"/><Text id="TI_Product" value="Distance 2 m"/>
      <Text id="TI_SP1" value="Switching point 1"/><Text id="TI_SP1_D" value="Distance at which output 1 switches &amp; holds"/>
      <Text id="TI_Mode" value="Output 1"/><Text id="TI_Logic" value="Logic"/><Text id="TI_NO" value="normally open"/><Text id="TI_NC" value="normally closed"/>
      <Text id="TI_Hys" value="Hysteresis"/><Text id="TI_PD" value="Process data"/><Text id="TI_Dist" value="Distance"/>
      <Text id="TI_Q1" value="Output 1"/><Text id="TI_Q2" value="Output 2"/><Text id="TI_Menu" value="Parameters"/>
    </PrimaryLanguage>
  </ExternalTextCollection>
</IODevice>
`;

/** A made-up device whose process data hangs on a parameter, with an array, points and spans of time, and named values. */
export const TWO_MODES = `<?xml version="1.0" encoding="UTF-8"?>
<IODevice xmlns="http://www.io-link.com/IODD/2010/10" xmlns:xsi="http://www.w3.org/2001/XMLSchema-instance">
  <DocumentInfo version="V1.0"/>
  <ProfileBody>
    <DeviceIdentity vendorId="4711" vendorName="Heron Works" deviceId="131080"><DeviceName textId="TI_Device"/></DeviceIdentity>
    <DeviceFunction>
      <DatatypeCollection/>
      <VariableCollection>
        <StdVariableRef id="V_OperatingHours"/>
        <Variable id="V_Mode" index="70" accessRights="rw" defaultValue="0">
          <Datatype xsi:type="UIntegerT" bitLength="8">
            <SingleValue value="0"><Name textId="TI_Flow"/></SingleValue><SingleValue value="1"><Name textId="TI_Zones"/></SingleValue>
          </Datatype><Name textId="TI_Mode"/>
        </Variable>
        <Variable id="V_Limits" index="71" accessRights="rw">
          <Datatype xsi:type="ArrayT" count="5" subindexAccessSupported="true"><SimpleDatatype xsi:type="UIntegerT" bitLength="3"/></Datatype><Name textId="TI_Limits"/>
        </Variable>
        <Variable id="V_Since" index="72" accessRights="rw"><Datatype xsi:type="TimeT"/><Name textId="TI_Since"/></Variable>
        <Variable id="V_Run" index="73" accessRights="rw"><Datatype xsi:type="TimeSpanT"/><Name textId="TI_Run"/></Variable>
      </VariableCollection>
      <ProcessDataCollection>
        <ProcessData id="P0"><Condition variableId="V_Mode" value="0"/>
          <ProcessDataIn id="PI0" bitLength="32"><Name textId="TI_Flow"/>
            <Datatype xsi:type="Float32T"><ValueRange lowerValue="0" upperValue="1000"/></Datatype></ProcessDataIn></ProcessData>
        <ProcessData id="P1"><Condition variableId="V_Mode" value="1"/>
          <ProcessDataIn id="PI1" bitLength="32"><Name textId="TI_Zone"/>
            <Datatype xsi:type="ArrayT" count="4"><SimpleDatatype xsi:type="IntegerT" bitLength="8"/></Datatype></ProcessDataIn></ProcessData>
      </ProcessDataCollection>
      <UserInterface>
        <ProcessDataRefCollection>
          <ProcessDataRef processDataId="PI0"><ProcessDataInfo gradient="0.06" offset="0" unitCode="1349"/></ProcessDataRef>
          <ProcessDataRef processDataId="PI1"><ProcessDataInfo gradient="0.5" offset="0" unitCode="9999"/></ProcessDataRef>
        </ProcessDataRefCollection>
        <MenuCollection/>
      </UserInterface>
    </DeviceFunction>
  </ProfileBody>
  <CommNetworkProfile iolinkRevision="V1.1"><TransportLayers><PhysicalLayer bitrate="COM2" minCycleTime="2300"/></TransportLayers></CommNetworkProfile>
  <ExternalTextCollection><PrimaryLanguage xml:lang="en">
    <Text id="TI_Device" value="Flow and zones"/><Text id="TI_Flow" value="Flow"/><Text id="TI_Zones" value="Zones"/><Text id="TI_Zone" value="Zone"/>
    <Text id="TI_Mode" value="What it sends"/><Text id="TI_Limits" value="Limits"/><Text id="TI_Since" value="Running since"/><Text id="TI_Run" value="Time run"/>
  </PrimaryLanguage></ExternalTextCollection>
</IODevice>
`;
