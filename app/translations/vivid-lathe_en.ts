<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="en_US">
<context>
    <name>vl::app::BenchWindow</name>
    <message numerus="yes">
        <source>(%n more run)</source>
        <translation>
            <numerusform>(%n more runs)</numerusform>
            <numerusform>(%n more run)</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>vl::app::BoardsView</name>
    <message numerus="yes">
        <source>board %1, %2, %3 long, %4 wide, %5 thick, %n defects</source>
        <translation>
            <numerusform>board %1, %2, %3 long, %4 wide, %5 thick, %n defect</numerusform>
            <numerusform>board %1, %2, %3 long, %4 wide, %5 thick, %n defects</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source> · %n cuts · %1 % used</source>
        <translation>
            <numerusform> · %n cut · %1 % used</numerusform>
            <numerusform> · %n cuts · %1 % used</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>vl::app::CautionPanel</name>
    <message numerus="yes">
        <source>%n places, at worst %1</source>
        <translation>
            <numerusform>%n place, at worst %1</numerusform>
            <numerusform>%n places, at worst %1</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>vl::app::Document</name>
    <message numerus="yes">
        <source>%n segments</source>
        <translation>
            <numerusform>%n segment</numerusform>
            <numerusform>%n segments</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>vl::app::FinishStage</name>
    <message numerus="yes">
        <source>%n coats more than the book: end grain or light wood drinks.</source>
        <translation>
            <numerusform>%n coat more than the book: end grain or light wood drinks.</numerusform>
            <numerusform>%n coats more than the book: end grain or light wood drinks.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n coats fewer than the book: hard wood without end grain.</source>
        <translation>
            <numerusform>%n coat fewer than the book: hard wood without end grain.</numerusform>
            <numerusform>%n coats fewer than the book: hard wood without end grain.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>vl::app::GlueStage</name>
    <message numerus="yes">
        <source>&lt;b&gt;Next: %1&lt;/b&gt;, %n steps, %2 min of work: %3%4</source>
        <translation>
            <numerusform>&lt;b&gt;Next: %1&lt;/b&gt;, %n step, %2 min of work: %3%4</numerusform>
            <numerusform>&lt;b&gt;Next: %1&lt;/b&gt;, %n steps, %2 min of work: %3%4</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>vl::app::GridView</name>
    <message numerus="yes">
        <source>%n rings</source>
        <translation>
            <numerusform>%n ring</numerusform>
            <numerusform>%n rings</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>, %n spokes</source>
        <translation>
            <numerusform>, %n spoke</numerusform>
            <numerusform>, %n spokes</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>vl::app::IndexView</name>
    <message numerus="yes">
        <source>%1: %n marks on %2 holes</source>
        <translation>
            <numerusform>%1: %n mark on %2 holes</numerusform>
            <numerusform>%1: %n marks on %2 holes</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%1: %n marks, laid out by angle</source>
        <translation>
            <numerusform>%1: %n mark, laid out by angle</numerusform>
            <numerusform>%1: %n marks, laid out by angle</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%1: %n marks, %2°</source>
        <translation>
            <numerusform>%1: %n mark, %2°</numerusform>
            <numerusform>%1: %n marks, %2°</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>vl::app::MainWindow</name>
    <message numerus="yes">
        <source>%n cautions</source>
        <translation>
            <numerusform>%n caution</numerusform>
            <numerusform>%n cautions</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n rings</source>
        <translation>
            <numerusform>%n ring</numerusform>
            <numerusform>%n rings</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n segments</source>
        <translation>
            <numerusform>%n segment</numerusform>
            <numerusform>%n segments</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n woods</source>
        <translation>
            <numerusform>%n wood</numerusform>
            <numerusform>%n woods</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n things were put right in the file: %1</source>
        <translation>
            <numerusform>%n thing was put right in the file: %1</numerusform>
            <numerusform>%n things were put right in the file: %1</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n new boards are on the rack.</source>
        <translation>
            <numerusform>%n new board is on the rack.</numerusform>
            <numerusform>%n new boards are on the rack.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n layers</source>
        <translation>
            <numerusform>%n layer</numerusform>
            <numerusform>%n layers</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>vl::app::OpeningView</name>
    <message numerus="yes">
        <source>%n openings round</source>
        <translation>
            <numerusform>%n opening round</numerusform>
            <numerusform>%n openings round</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>vl::app::RackForm</name>
    <message numerus="yes">
        <source>&lt;b&gt;%n boards&lt;/b&gt; · cost %4 · %5 % above the least possible&lt;br&gt;parts %1 % · kerf, shavings %2 % · waste %3 %</source>
        <translation>
            <numerusform>&lt;b&gt;%n board&lt;/b&gt; · cost %4 · %5 % above the least possible&lt;br&gt;parts %1 % · kerf, shavings %2 % · waste %3 %</numerusform>
            <numerusform>&lt;b&gt;%n boards&lt;/b&gt; · cost %4 · %5 % above the least possible&lt;br&gt;parts %1 % · kerf, shavings %2 % · waste %3 %</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>vl::app::SectionLane</name>
    <message numerus="yes">
        <source>%n fixes</source>
        <translation>
            <numerusform>%n fix</numerusform>
            <numerusform>%n fixes</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>vl::app::SetupsView</name>
    <message numerus="yes">
        <source>%n cuts for %1</source>
        <translation>
            <numerusform>%n cut for %1</numerusform>
            <numerusform>%n cuts for %1</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n SET-UPS, EACH FENCE, STOP, TILT AND THICKNESS ONCE; %1 AT LEAST, WITH MORE MADE ALIKE</source>
        <translation>
            <numerusform>%n SET-UP, EACH FENCE, STOP, TILT AND THICKNESS ONCE; %1 AT LEAST, WITH MORE MADE ALIKE</numerusform>
            <numerusform>%n SET-UPS, EACH FENCE, STOP, TILT AND THICKNESS ONCE; %1 AT LEAST, WITH MORE MADE ALIKE</numerusform>
        </translation>
    </message>
</context>
</TS>
