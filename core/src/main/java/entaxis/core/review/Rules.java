package entaxis.core.review;

import entaxis.core.review.agreement.LensDiffers;
import entaxis.core.review.agreement.MeaningMissing;
import entaxis.core.review.agreement.NotAgreed;
import entaxis.core.review.agreement.OnNoSheet;
import entaxis.core.review.carried.NameGone;
import entaxis.core.review.forms.BelowThirdForm;
import entaxis.core.review.forms.DependenciesUnstated;
import entaxis.core.review.forms.FactTwice;
import entaxis.core.review.forms.NotFirstForm;
import entaxis.core.review.forms.RowsRefute;
import entaxis.core.review.forms.TableIsJoin;
import entaxis.core.review.indexes.IndexTwice;
import entaxis.core.review.indexes.ReferenceWithoutIndex;
import entaxis.core.review.keys.InexactKey;
import entaxis.core.review.keys.KeyOrder;
import entaxis.core.review.keys.NoPrimaryKey;
import entaxis.core.review.keys.OptionalInKey;
import entaxis.core.review.keys.RedundantKey;
import entaxis.core.review.keys.SurrogateAlone;
import entaxis.core.review.names.DepartsFromPolicy;
import entaxis.core.review.names.NameTooLong;
import entaxis.core.review.names.NamesCollide;
import entaxis.core.review.names.ReservedWord;
import entaxis.core.review.names.SingularPlural;
import entaxis.core.review.names.WordVariants;
import entaxis.core.review.relationships.CascadeReach;
import entaxis.core.review.relationships.MandatoryCycle;
import entaxis.core.review.relationships.MandatoryRecursion;
import entaxis.core.review.relationships.MinimumNotHeld;
import entaxis.core.review.relationships.OneToOneBoth;
import entaxis.core.review.relationships.ReferenceByName;
import entaxis.core.review.relationships.RolesMissing;
import entaxis.core.review.relationships.SecondWay;
import entaxis.core.review.relationships.SetDefaultMissing;
import entaxis.core.review.relationships.SetNullRequired;
import entaxis.core.review.relationships.SeveralCascades;
import entaxis.core.review.relationships.Unconnected;
import entaxis.core.review.relationships.VerbMissing;
import entaxis.core.review.rows.RowBreaksRule;
import entaxis.core.review.types.CheckAlways;
import entaxis.core.review.types.CheckNever;
import entaxis.core.review.types.DefaultUnfit;
import entaxis.core.review.types.FixedForVarying;
import entaxis.core.review.types.InexactMoney;
import entaxis.core.review.types.MomentWithoutZone;
import entaxis.core.review.types.NumberForCode;
import entaxis.core.review.types.SameNameOtherType;
import entaxis.core.review.types.TextInIndex;
import entaxis.core.review.types.TypeLoses;
import entaxis.core.review.types.VaryingForFixed;
import java.util.List;
import java.util.Optional;

/** All rules, by family. */
public final class Rules {
    /** Every rule there is. */
    public static final List<Rule> ALL = List.of(
            new NoPrimaryKey(), new OptionalInKey(), new SurrogateAlone(), new RedundantKey(), new KeyOrder(),
            new InexactKey(), new Unconnected(), new ReferenceByName(), new RolesMissing(), new VerbMissing(),
            new MandatoryCycle(), new MandatoryRecursion(), new OneToOneBoth(), new MinimumNotHeld(),
            new SecondWay(), new SetNullRequired(), new SetDefaultMissing(), new SeveralCascades(),
            new CascadeReach(), new NumberForCode(), new InexactMoney(), new MomentWithoutZone(),
            new FixedForVarying(), new VaryingForFixed(), new SameNameOtherType(), new DefaultUnfit(),
            new CheckNever(), new CheckAlways(), new TypeLoses(), new TextInIndex(), new ReservedWord(),
            new NameTooLong(), new NamesCollide(), new SingularPlural(), new WordVariants(),
            new DepartsFromPolicy(), new NotFirstForm(), new BelowThirdForm(), new FactTwice(),
            new TableIsJoin(), new RowsRefute(), new DependenciesUnstated(), new RowBreaksRule(),
            new ReferenceWithoutIndex(), new IndexTwice(), new NameGone(), new OnNoSheet(), new NotAgreed(),
            new MeaningMissing(), new LensDiffers());

    private Rules() { }

    /** What is known of a rule. */
    public static Optional<RuleInfo> info(String id) {
        return ALL.stream().map(Rule::info).filter(info -> info.id().equals(id)).findFirst();
    }
}
